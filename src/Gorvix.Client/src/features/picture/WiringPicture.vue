<script setup lang="ts">
import PictureLine from './PictureLine.vue'
import ZoomButtons from '@/ui/ZoomButtons.vue'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import type { PictureWire, WiringPicture } from '@/api/client'
import { dropped, flow, moved, paint, pulse, rounded, type PictureSpot } from './drawing'
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
  /** What each wire is, in words, by its id. */
  words?: Record<string, string>
  /** Whether what is done is drawn whole and what comes later faint. */
  isWork?: boolean
  /** Whether devices can be put elsewhere. */
  movable?: boolean
  /** Whether it is drawn large, with what is looked at in the middle. */
  near?: boolean
}>()
const emit = defineEmits<{
  wire: [id: string]
  pad: [id: string]
  move: [device: string, spot: PictureSpot | null]
}>()

const zooms = [1, 1.5, 2, 3, 4]
const zoom = ref(1)
// Letters of 2 mm are to be read: at so many pixels for a millimetre, or twice as many where one stands with an iron in the hand.
const readable = 4.4
onMounted(() => {
  const scale = (bench.value?.clientWidth ?? 0) / props.picture.width
  // On paper it is as wide as the sheet.
  if (scale === 0) return
  const least = props.near ? 1.6 * readable : readable
  zoom.value = zooms.find((z) => z * scale >= least) ?? zooms.at(-1) ?? 1
})
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
    .map((w) => ({
      wire: w,
      path: rounded(w.points),
      paint: paint(w),
      flow: w.flow === 'none' ? null : flow(w, edges.value.get(w.device) ?? 'left'),
      state: [
        isLit(w.id) ? 'lit' : '',
        props.isWork && someLit.value && !w.isDone && !isLit(w.id) ? 'later' : '',
      ],
    })),
)
const wordsOf = (w: PictureWire) =>
  props.words?.[w.id] ?? `${w.lead} of ${w.device}${w.step ? `, step ${w.step}` : ''}`
const told = computed(() => {
  const id = pointed.value ?? at.value ?? props.lit?.[0]
  const wire = props.picture.wires.find((w) => w.id === id)
  return wire ? wordsOf(wire) : 'Select a wire, a pad or a device.'
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
function press(id: string) {
  at.value = id
  emit('wire', id)
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

// What is looked at comes into sight.
watch(
  () => [props.lit?.join(' '), zoom.value],
  async () => {
    await nextTick()
    const box = bench.value
    const lit = props.picture.wires.find((w) => isLit(w.id))
    if (!box || !lit || zoom.value === 1) return
    // Large, the joint is what is worked on; else the whole wire.
    const ends = props.near ? lit.points.slice(-1) : lit.points
    const middle = (of: number[]) => (Math.min(...of) + Math.max(...of)) / 2
    const scale = box.scrollWidth / props.picture.width
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
        :style="{ width: `${zoom * 100}%` }"
        role="group"
        :aria-label="`Wiring of ${name}`"
      >
        <g v-for="face in picture.faces" :key="`${face.side}`" :data-side="face.side">
          <PictureLine class="name" :of="face.title" />
          <rect
            class="board"
            :x="face.x"
            :y="face.y"
            :width="face.width"
            :height="face.height"
            rx="1.4"
          />
          <circle v-for="(h, i) in face.holes" :key="i" class="hole" :cx="h.x" :cy="h.y" r="2.6" />
          <g v-if="face.usb">
            <rect
              class="usb"
              :x="face.usb.x"
              :y="face.usb.y"
              :width="face.usb.width"
              :height="face.usb.height"
            />
            <text
              class="print quiet"
              text-anchor="middle"
              font-size="1.5"
              :x="face.usb.x + face.usb.width / 2"
              :y="face.usb.y + face.usb.height / 2"
              :transform="
                face.usb.height > face.usb.width
                  ? `rotate(-90 ${face.usb.x + face.usb.width / 2} ${face.usb.y + face.usb.height / 2})`
                  : undefined
              "
            >
              USB
            </text>
          </g>
          <path
            v-if="face.arrow"
            class="arrow"
            :d="`M${face.arrow.x} ${face.arrow.y + 2.2}v-4.4m-1.4 1.6l1.4 -1.6l1.4 1.6`"
          />
          <g v-for="s in face.sockets" :key="s.id">
            <rect
              class="socket"
              :x="s.box.x"
              :y="s.box.y"
              :width="s.box.width"
              :height="s.box.height"
            />
            <PictureLine class="print quiet" :of="s.name" />
          </g>
          <g
            v-for="j in face.jumpers"
            :key="j.id"
            class="jumper"
            :class="{ lit: j.id === jumper }"
            :data-jumper="j.id"
          >
            <title>{{ j.step ? `${j.id}, step ${j.step}` : j.id }}</title>
            <PictureLine class="print quiet" :of="j.name" />
            <rect
              v-for="i in j.pads"
              :key="i"
              :x="j.x + (i - 1 - j.pads / 2) * 1.8"
              :y="j.y - 0.9"
              width="1.4"
              height="1.8"
            />
            <rect
              v-if="j.closed != null"
              class="closed"
              :x="j.x + (j.closed - j.pads / 2) * 1.8 + 0.7"
              :y="j.y - 0.4"
              width="1.8"
              height="0.8"
            />
          </g>
        </g>
        <g
          v-for="d in picture.devices"
          :key="d.id"
          class="device"
          :class="{ chosen: d.id === device, movable }"
          role="button"
          tabindex="0"
          :data-device="d.id"
          :aria-label="nameOf(d.id)"
          :transform="dragged?.id === d.id ? `translate(${dragged.x} ${dragged.y})` : undefined"
          @pointerdown="grab($event, d.id)"
          @touchmove="keep"
          @click="device = device === d.id ? null : d.id"
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
          @click="press(w.wire.id)"
          @keydown.enter.prevent="press(w.wire.id)"
          @keydown.space.prevent="press(w.wire.id)"
          @keydown.down="walk($event, 1)"
          @keydown.up="walk($event, -1)"
          @focus="at = w.wire.id"
          @pointerenter="pointed = w.wire.id"
          @pointerleave="pointed = null"
        >
          <path class="hit" :d="w.path" />
          <path class="halo" :d="w.path" />
          <path class="edge" :d="w.path" />
          <path
            class="line"
            :class="{ unknown: !w.paint.first }"
            :d="w.path"
            :style="w.paint.first ? { stroke: w.paint.first } : undefined"
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
        </g>
      </svg>
    </div>
    <figcaption v-if="picture.note" class="quiet">{{ picture.note }}</figcaption>
  </figure>
</template>

<style scoped src="./picture.css"></style>
