<script setup lang="ts">
import PictureBoard from './PictureBoard.vue'
import PictureLine from './PictureLine.vue'
import FaceProbe from '@/features/board/FaceProbe.vue'
import { showsPhoto, useFacePhotos } from '@/features/board/photos'
import ZoomButtons from '@/ui/ZoomButtons.vue'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import type { PictureWire, WiringPicture } from '@/api/client'
import {
  dropped,
  flow,
  moved,
  paint,
  pointOf,
  pulse,
  rounded,
  twist,
  type Paint,
  type PictureSpot,
  type Probe,
  type WireLook,
} from './drawing'
import { useDeviceDrag } from './useDeviceDrag'

/**
 * The whole build as one picture: the board in the middle, its devices beside it, every wire from lead to pad. What is looked at is lit; a device can
 * be put elsewhere by dragging it, by Shift and the arrows, or by the buttons.
 */
const props = defineProps<{
  picture: WiringPicture
  name: string
  /** Ids of the wires that are looked at. */
  lit?: string[]
  /** Ids of the pads that are looked at. */
  pads?: string[]
  /** The jumper that is looked at. */
  jumper?: string | null
  /** How a wire is drawn for what the picture is looked at for; those without a look are faint. */
  look?: (wire: PictureWire) => WireLook | null
  /** How much of the suspicion lies on a device, 0 to 1. */
  suspect?: (device: string) => number
  /** Where the tips of the meter go. */
  probes?: Probe[]
  /** Whether what is done is drawn whole and what comes later faint. */
  isWork?: boolean
  /** Whether devices can be put elsewhere. */
  movable?: boolean
  /** Whether it is drawn on paper: as wide as the sheet. */
  paper?: boolean
  /** Whether it is drawn large, with what is looked at in the middle. */
  near?: boolean
}>()
const emit = defineEmits<{
  wire: [wire: PictureWire]
  pad: [id: string]
  move: [device: string, spot: PictureSpot | null]
}>()

const photos = useFacePhotos(() => props.picture.board)
const zooms = [1, 1.5, 2, 3, 4]
const zoom = ref(1)
// Letters of 2 mm are to be read: at so many pixels for a millimetre, or twice as many where one stands with an iron in the hand.
const readable = 4.4
// Of two devices no poster is made.
const largest = 8
/** The zoom at which letters can be read, or less where both tips of the meter are to be in sight. */
function fit() {
  const pane = bench.value
  const scale = Math.min(largest, (pane?.clientWidth ?? 0) / props.picture.width)
  if (props.paper || !pane || scale === 0) return
  const least = props.near ? 1.6 * readable : readable
  const read = zooms.find((z) => z * scale >= least) ?? zooms.at(-1) ?? 1
  const [wide, high] = [span(tips.value.map((t) => t.at.x)), span(tips.value.map((t) => t.at.y))]
  const fits = (z: number) =>
    (wide + room) * z * scale <= pane.clientWidth && (high + room) * z * scale <= highest()
  zoom.value = zooms.findLast((z) => z <= read && fits(z)) ?? 1
}
const room = 8
const highest = () => 0.8 * window.innerHeight
const span = (of: number[]) => (of.length > 0 ? Math.max(...of) - Math.min(...of) : 0)
const drawing = useTemplateRef<SVGSVGElement>('drawing')
const bench = useTemplateRef<HTMLElement>('bench')
const pointed = ref<string | null>(null)
const at = ref<string | null>(null)
const device = ref<string | null>(null)

const edges = computed(() => new Map(props.picture.devices.map((d) => [d.id, d.edge])))
const isLit = (id: string) => props.lit?.includes(id) ?? false
const someLit = computed(() => (props.lit?.length ?? 0) > 0)
const wires = computed(() =>
  // What is looked at lies above all others.
  [...props.picture.wires]
    .sort((a, b) => Number(isLit(a.id)) - Number(isLit(b.id)))
    .map((w) => ({ wire: w, look: props.look?.(w) ?? null }))
    .map(({ wire: w, look }) => ({
      wire: w,
      look,
      path: rounded(w.points),
      paint: paint(w),
      flow: w.flow === 'none' ? null : flow(w, edges.value.get(w.device) ?? 'left'),
      state: [
        isLit(w.id) ? 'lit' : '',
        look?.alarm ?? '',
        !isLit(w.id) && ((props.isWork && someLit.value && !w.isDone) || (props.look && !look))
          ? 'later'
          : '',
      ],
    })),
)
/** The wire and the one that it is twisted with, each in its colour. */
const strands = ({ wire, paint: own }: { wire: PictureWire; paint: Paint }) =>
  wire.twist
    ? twist(wire.twist.at).map((path, i) => {
        const { first: colour, tone } = i === 0 || !wire.twist ? own : paint(wire.twist)
        return { path, colour, tone }
      })
    : []
const wordsOf = (w: PictureWire) => [props.look?.(w)?.note, w.words].filter(Boolean).join(' · ')
const tips = computed(() =>
  (props.probes ?? []).flatMap((p) => {
    const at = pointOf(props.picture, p)
    return at ? [{ ...p, at }] : []
  }),
)
const told = computed(() => {
  const id = pointed.value ?? at.value ?? props.lit?.[0]
  const wire = props.picture.wires.find((w) => w.id === id)
  return wire
    ? wordsOf(wire)
    : props.movable
      ? 'Select a wire, a pad or a device.'
      : 'Select a wire.'
})
const stop = computed(() => at.value ?? props.lit?.[0] ?? props.picture.wires[0]?.id)

async function walk(event: KeyboardEvent, by: number) {
  event.preventDefault()
  event.stopPropagation()
  const all = props.picture.wires
  const now = all.findIndex((w) => w.id === stop.value)
  at.value = all[Math.min(all.length - 1, Math.max(0, now + by))]?.id ?? null
  await nextTick()
  drawing.value?.querySelector<SVGElement>('[data-wire][tabindex="0"]')?.focus()
}
function press(wire: PictureWire) {
  at.value = wire.id
  emit('wire', wire)
}

const arrows: Record<string, 'left' | 'right' | 'up' | 'down'> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
}
function shift(id: string, to: 'left' | 'right' | 'up' | 'down') {
  const spot = moved(props.picture, id, to)
  if (spot) put(id, spot)
}
// Whether it is turned stays as it is unless that is what is asked.
function put(id: string, spot: Partial<PictureSpot>) {
  const now = props.picture.devices.find((d) => d.id === id)
  emit('move', id, {
    edge: null,
    place: null,
    ...spot,
    turned: spot.turned ?? now?.isTurned ?? null,
  })
}
function turn(id: string) {
  const now = props.picture.devices.find((d) => d.id === id)
  if (!now) return
  const place = props.picture.devices.filter((d) => d.edge === now.edge).indexOf(now)
  put(id, { edge: now.edge, place, turned: !now.isTurned })
}
function deviceKey(event: KeyboardEvent, id: string) {
  const to = arrows[event.key]
  if (props.movable && event.shiftKey && to) {
    event.preventDefault()
    event.stopPropagation()
    shift(id, to)
  } else if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    device.value = device.value === id ? null : id
  }
}
const { dragged, grab, keep } = useDeviceDrag(
  drawing,
  () => props.movable === true,
  (id, x, y) => put(id, dropped(props.picture, id, x, y)),
)
const nameOf = (id: string) =>
  props.picture.devices
    .find((d) => d.id === id)
    ?.name.map((n) => n.text)
    .join(' ') ?? id

onMounted(fit)
watch(() => tips.value.map((t) => `${t.tip} ${t.at.x} ${t.at.y}`).join(), fit)

// What is looked at comes into sight.
watch(
  () => [props.lit?.join(' '), tips.value.map((t) => `${t.at.x} ${t.at.y}`).join(), zoom.value],
  async () => {
    await nextTick()
    const box = bench.value
    const lit = props.picture.wires.find((w) => isLit(w.id))
    // Under the probes is what is measured; large, the joint is what is worked on; else the whole wire.
    const ends =
      tips.value.length > 0 ? tips.value.map((t) => t.at) : lit?.points.slice(props.near ? -1 : 0)
    if (!box || !ends || zoom.value === 1) return
    const middle = (of: number[]) => (Math.min(...of) + Math.max(...of)) / 2
    const scale = (drawing.value?.clientWidth ?? 0) / props.picture.width
    box.scrollTo({
      left: middle(ends.map((p) => p.x)) * scale - box.clientWidth / 2,
      top: middle(ends.map((p) => p.y)) * scale - box.clientHeight / 2,
    })
  },
  { immediate: true, flush: 'post' },
)
</script>

<template>
  <figure class="picture">
    <div class="tools no-print">
      <p class="told" data-testid="wire-told" aria-live="polite">{{ told }}</p>
      <v-btn
        v-if="Object.keys(photos).length > 0"
        size="small"
        data-face="photo"
        :aria-pressed="showsPhoto"
        @click="showsPhoto = !showsPhoto"
        >Photo</v-btn
      >
      <ZoomButtons v-model="zoom" :steps="zooms" />
    </div>
    <div v-if="movable && device" class="tools no-print" data-testid="device-tools">
      <b>{{ nameOf(device) }}</b>
      <v-btn size="small" data-move="left" @click="shift(device, 'left')">Move left</v-btn>
      <v-btn size="small" data-move="right" @click="shift(device, 'right')">Move right</v-btn>
      <v-btn size="small" data-move="up" @click="shift(device, 'up')">Move up</v-btn>
      <v-btn size="small" data-move="down" @click="shift(device, 'down')">Move down</v-btn>
      <v-btn size="small" data-move="turn" @click="turn(device)">Reverse leads</v-btn>
      <v-btn size="small" data-move="auto" @click="$emit('move', device, null)"
        >Place automatically</v-btn
      >
    </div>
    <div ref="bench" class="bench" :class="{ wide: zoom > 1 }">
      <svg
        ref="drawing"
        :viewBox="`0 0 ${picture.width} ${picture.height}`"
        :style="{ width: `min(${zoom * 100}%, ${zoom * largest * picture.width}px)` }"
        :class="{ photographed: showsPhoto && Object.keys(photos).length > 0 }"
        role="group"
        :aria-label="`Wiring of ${name}`"
      >
        <PictureBoard
          v-for="face in picture.faces"
          :key="`${face.side}`"
          :face="face"
          :jumper="jumper"
          :photo="(showsPhoto && face.side && photos[face.side]) || null"
        />
        <g
          v-for="d in picture.devices"
          :key="d.id"
          class="device"
          :class="{ chosen: d.id === device, movable, suspect: (suspect?.(d.id) ?? 0) > 0 }"
          :style="{ '--share': suspect?.(d.id) ?? 0 }"
          :role="movable ? 'button' : 'img'"
          :tabindex="movable ? 0 : undefined"
          :data-device="d.id"
          :aria-label="nameOf(d.id)"
          :transform="dragged?.id === d.id ? `translate(${dragged.x} ${dragged.y})` : undefined"
          @pointerdown="grab($event, d.id)"
          @touchmove="keep"
          @click="device = movable && device !== d.id ? d.id : null"
          @keydown="deviceKey($event, d.id)"
        >
          <rect :x="d.box.x" :y="d.box.y" :width="d.box.width" :height="d.box.height" />
          <PictureLine v-for="line in d.name" :key="line.text" class="name" :of="line" />
        </g>
        <g
          v-for="d in picture.devices"
          :key="d.id"
          class="leads"
          :data-leads="d.id"
          :transform="dragged?.id === d.id ? `translate(${dragged.x} ${dragged.y})` : undefined"
        >
          <template v-for="l in d.leads" :key="l.lead">
            <PictureLine class="print" :class="{ quiet: l.isSpare }" :of="l.label" />
            <PictureLine class="print quiet" :of="l.colour" />
          </template>
        </g>
        <g
          v-for="w in wires"
          :key="w.wire.id"
          class="wire"
          :class="[w.paint.tone, w.state]"
          role="button"
          :tabindex="w.wire.id === stop ? 0 : -1"
          :data-wire="w.wire.id"
          :aria-label="wordsOf(w.wire)"
          @click="press(w.wire)"
          @keydown.enter.prevent="press(w.wire)"
          @keydown.space.prevent="press(w.wire)"
          @keydown.down="walk($event, 1)"
          @keydown.up="walk($event, -1)"
          @focus="at = w.wire.id"
          @pointerenter="pointed = w.wire.id"
          @pointerleave="pointed = null"
        >
          <path class="hit" :d="w.path" />
          <path class="halo" :d="w.path" />
          <path
            v-if="w.look?.share"
            class="share"
            :d="w.path"
            :style="{ '--share': w.look.share }"
          />
          <path class="edge" :d="w.path" />
          <path
            class="line"
            :class="{ unknown: !w.paint.first }"
            :d="w.path"
            :style="{ stroke: w.paint.first ?? undefined, strokeWidth: w.look?.width }"
          />
          <path
            v-if="w.paint.second"
            class="stripe"
            :d="w.path"
            :style="{ stroke: w.paint.second }"
          />
        </g>
        <g v-for="face in picture.faces" :key="`${face.side}`">
          <g
            v-for="p in face.pads"
            :key="p.id"
            class="pad"
            :class="{ used: p.isUsed, lit: pads?.includes(p.id) }"
            :data-pad="p.id"
            @click="$emit('pad', p.id)"
          >
            <rect
              :x="p.x - p.halfWidth"
              :y="p.y - p.halfHeight"
              :width="2 * p.halfWidth"
              :height="2 * p.halfHeight"
            />
            <PictureLine class="print" :of="p.label" />
          </g>
          <template v-for="s in face.sockets" :key="s.id">
            <text
              v-if="s.first"
              class="print one"
              text-anchor="middle"
              :x="s.first.x"
              :y="s.first.y"
              font-size="1.3"
            >
              1
            </text>
          </template>
        </g>
        <g v-for="w in wires" :key="w.wire.id" class="marks" :class="w.state">
          <template v-for="(t, i) in w.wire.tags" :key="i">
            <rect
              class="under"
              :x="t.x - t.text.length * t.size * 0.3 - 0.25"
              :y="t.y - 1"
              :width="t.text.length * t.size * 0.6 + 0.5"
              height="2"
            />
            <PictureLine class="print tag" :of="t" />
          </template>
          <path v-if="w.flow" class="flow" :d="w.flow" />
          <template v-if="w.wire.inverted">
            <rect
              class="under"
              :x="w.wire.inverted.x - 2.7"
              :y="w.wire.inverted.y - 1"
              width="5.4"
              height="2"
            />
            <path class="pulse" :d="pulse(w.wire.inverted)">
              <title>inverted: idles low</title>
            </path>
          </template>
          <g v-if="w.wire.twist" class="twist" :data-twist="w.wire.twist.wire">
            <title>{{ w.wire.words }}</title>
            <rect
              class="under"
              :x="w.wire.twist.at.x - 1.8"
              :y="w.wire.twist.at.y - 1"
              width="3.6"
              height="2"
            />
            <template v-for="strand in strands(w)" :key="strand.path">
              <path class="edge" :class="strand.tone" :d="strand.path" />
              <path :d="strand.path" :style="{ stroke: strand.colour ?? undefined }" />
            </template>
          </g>
        </g>
        <FaceProbe
          v-for="t in tips"
          :key="t.tip"
          :data-probe="t.tip"
          :x="t.at.x"
          :y="t.at.y"
          :is-red="t.tip === 'red'"
        />
      </svg>
    </div>
    <figcaption v-if="picture.note" class="quiet">{{ picture.note }}</figcaption>
  </figure>
</template>

<style scoped src="./picture.css"></style>
