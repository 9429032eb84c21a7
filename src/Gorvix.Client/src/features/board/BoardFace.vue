<script setup lang="ts">
import ZoomButtons from '@/ui/ZoomButtons.vue'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import type { BoardFace, FacePad } from '@/api/client'
import FaceBridges from './FaceBridges.vue'
import FaceProbe from './FaceProbe.vue'
import { frontUp, letters, nextIn, ways, type Side, type Turn } from './face'
import { showsPhoto, useFacePhotos } from './photos'
import { useDrag } from './useDrag'
import { useDrawing } from './useDrawing'

/**
 * The board as it lies on the bench: one side of it, turned as the hand turns it. A pad says what it is and what is on
 * it; pressing it tells who asks.
 */
const props = defineProps<{
  face: BoardFace
  name: string
  /** Pads of what is looked at. */
  lit?: string[]
  /** Pads that belong to it besides: supply and ground of its device. */
  near?: string[]
  /** Label of the bridge that is looked at. */
  bridge?: string | null
  /** Pad under the red probe of a meter. */
  red?: string | null
  /** Pad under the black probe. */
  black?: string | null
  /** What is on a pad, in words, by its id. */
  uses?: Record<string, string>
  /** Whether pads can be dragged to another place, or moved by Shift and the arrows. */
  movable?: boolean
  /** What is being laid on the board: the next press tells where. */
  picking?: string | null
  /** Photos that are not saved yet, in place of those that are; null for a side whose photo is taken away. */
  own?: Partial<Record<'top' | 'bottom', string | null>>
}>()
const emit = defineEmits<{
  pad: [id: string]
  bridge: [id: string]
  move: [id: string, x: number, y: number]
  spot: [side: NonNullable<Side>, x: number, y: number]
}>()

const side = ref<Side>('top')
/** How far the builder has turned it from where its front is up. */
const turned = ref(0)
const turn = computed<Turn>(
  () => ((frontUp(props.face.arrow, side.value) + turned.value) % 360) as Turn,
)
const zoom = ref(1)
const zooms = [1, 1.5, 2, 3]
const drawing = useTemplateRef<SVGElement>('drawing')
const at = ref<string | null>(null)
const pointed = ref<string | null>(null)
const ofBridge = ref<string | null>(null)

const { margin, size, box, pads, plugs, bridges, holes, middle, usb, arrow } = useDrawing(
  props,
  side,
  turn,
  zoom,
)

const saved = useFacePhotos(() => props.face.board)
const photo = computed(() => {
  const own = side.value ? props.own?.[side.value] : undefined
  return own !== undefined ? own : ((side.value && saved.value[side.value]) ?? null)
})
const shownPhoto = computed(() => (showsPhoto.value ? photo.value : null))
/** A photo lies as the board does, and is turned with it about the middle of the drawing. */
const photoTurn = computed(
  () =>
    `translate(${size.value.x / 2} ${size.value.y / 2}) rotate(${turn.value}) translate(${-props.face.width / 2} ${-props.face.depth / 2})`,
)
const other = computed<Side>(() => (side.value === 'top' ? 'bottom' : 'top'))
const beneath = computed(
  () => props.face.pads.filter((p) => p.side !== side.value && props.lit?.includes(p.id)).length,
)
const onOther = computed(() => props.face.pads.filter((p) => p.side !== side.value).length)

// What is looked at comes into sight: where none of its pads is on this side, the board is flipped.
watch(
  () => props.lit?.join(' '),
  () => {
    const lit = props.face.pads.filter((p) => props.lit?.includes(p.id))
    const first = lit[0]
    if (first && lit.every((p) => p.side !== side.value)) side.value = first.side
    at.value = first?.id ?? at.value
  },
  { immediate: true },
)

function wordsOf(pad: FacePad) {
  const use = props.uses && (props.uses[pad.id] ?? 'unused')
  return [pad.words, use, pad.doubt].filter(Boolean).join('; ')
}
const told = computed(() => {
  if (props.picking) return `Click where ${props.picking} is on the board. Esc cancels.`
  if (ofBridge.value) return ofBridge.value
  const id = pointed.value ?? at.value
  const found = pads.value.find((p) => p.pad.id === id)
  if (found) return wordsOf(found.pad)
  return props.face.pads.length > 0 ? 'Select a pad with the pointer or arrow keys.' : ''
})
const stop = computed(() =>
  pads.value.some((p) => p.pad.id === at.value) ? at.value : pads.value[0]?.pad.id,
)

async function key(event: KeyboardEvent, index: number) {
  const way = ways[event.key]
  const pad = pads.value[index]?.pad
  if (props.movable && event.shiftKey && way && pad) {
    event.preventDefault()
    nudge(pad, way)
    return
  }
  if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    if (pad) emit('pad', pad.id)
  } else if (way) {
    event.preventDefault()
    const next = nextIn(
      pads.value.map((p) => p.spot),
      index,
      way,
    )
    at.value = pads.value[next]?.pad.id ?? at.value
    await nextTick()
    drawing.value?.querySelector<SVGElement>('[data-pad][tabindex="0"]')?.focus()
  }
}

const { dragged, grab, nudge, spotOf } = useDrag(props, drawing, turn, (id, x, y) =>
  emit('move', id, x, y),
)
function pick(event: MouseEvent) {
  const spot = props.picking ? spotOf(event) : null
  if (!spot || !side.value) return
  event.stopPropagation()
  emit('spot', side.value, spot.x, spot.y)
}

function rotate() {
  turned.value += 90
}
</script>

<template>
  <figure class="face">
    <div class="tools no-print">
      <v-btn-toggle v-model="side" mandatory aria-label="Board side">
        <v-btn value="top" size="small">top</v-btn>
        <v-btn value="bottom" size="small">bottom</v-btn>
      </v-btn-toggle>
      <v-btn size="small" data-face="turn" @click="rotate">Rotate</v-btn>
      <v-btn
        v-if="photo"
        size="small"
        data-face="photo"
        :aria-pressed="showsPhoto"
        @click="showsPhoto = !showsPhoto"
        >Photo</v-btn
      >
      <ZoomButtons v-model="zoom" :steps="zooms" />
    </div>
    <div class="bench">
      <svg
        ref="drawing"
        :viewBox="`${-margin} ${-margin} ${box.x} ${box.y}`"
        :style="{ width: `${zoom * 100}%`, maxHeight: zoom === 1 ? '418px' : undefined }"
        role="group"
        :aria-label="`${name}, ${side} side`"
        :data-side="side"
        :data-turn="turn"
        :class="{ picking, photo: shownPhoto }"
        @click.capture="pick"
      >
        <rect class="edge" x="0" y="0" :width="size.x" :height="size.y" rx="1.2" />
        <image
          v-if="shownPhoto"
          :href="shownPhoto"
          :width="face.width"
          :height="face.depth"
          preserveAspectRatio="none"
          :transform="photoTurn"
        />
        <circle
          v-for="(hole, i) in holes"
          :key="i"
          class="hole"
          :cx="hole.x"
          :cy="hole.y"
          r="1.7"
        />
        <g v-if="usb" :transform="`translate(${usb.x} ${usb.y}) rotate(${usb.turned})`">
          <rect class="usb" x="-4.4" y="-2.2" width="8.8" height="3.1" />
          <text
            class="print mark"
            y="-0.6"
            :transform="usb.turned === 180 ? 'rotate(180 0 -0.6)' : undefined"
          >
            USB
          </text>
        </g>
        <g
          v-if="arrow"
          :transform="`translate(${middle.x} ${middle.y}) rotate(${arrow.turned})`"
          class="arrow"
        >
          <path d="M0 2.6V-2.6M-1.6 -1L0 -2.6L1.6 -1" />
        </g>
        <g v-for="plug in plugs" :key="plug.label">
          <rect
            class="plug"
            :x="plug.left"
            :y="plug.top"
            :width="plug.width"
            :height="plug.height"
          />
          <text
            v-if="zoom < 2"
            class="print quiet-print"
            :x="plug.name.x"
            :y="plug.name.y"
            :text-anchor="plug.name.anchor"
          >
            {{ plug.label }}
          </text>
        </g>
        <FaceBridges
          :bridges="bridges"
          :chosen="bridge ?? null"
          @point="ofBridge = $event"
          @press="emit('bridge', $event)"
        />
        <g
          v-for="(drawn, i) in pads"
          :key="drawn.pad.id"
          class="pad"
          :class="drawn.state"
          role="button"
          :tabindex="drawn.pad.id === stop ? 0 : -1"
          :aria-label="wordsOf(drawn.pad)"
          :data-pad="drawn.pad.id"
          :transform="
            dragged?.id === drawn.pad.id ? `translate(${dragged.x} ${dragged.y})` : undefined
          "
          @click="((at = drawn.pad.id), $emit('pad', drawn.pad.id))"
          @pointerdown="grab($event, drawn.pad.id, drawn.spot)"
          @keydown="key($event, i)"
          @focus="at = drawn.pad.id"
          @pointerenter="pointed = drawn.pad.id"
          @pointerleave="pointed = null"
        >
          <rect
            class="hit"
            :x="drawn.spot.x - 2 * drawn.half"
            :y="drawn.spot.y - 2 * drawn.half"
            :width="4 * drawn.half"
            :height="4 * drawn.half"
          />
          <rect
            v-if="drawn.state === 'lit'"
            class="ring"
            :x="drawn.spot.x - drawn.half - 0.45"
            :y="drawn.spot.y - drawn.half - 0.45"
            :width="2 * drawn.half + 0.9"
            :height="2 * drawn.half + 0.9"
          />
          <rect
            class="copper"
            :x="drawn.spot.x - drawn.half"
            :y="drawn.spot.y - drawn.half"
            :width="2 * drawn.half"
            :height="2 * drawn.half"
          />
          <path
            v-if="drawn.pad.doubt"
            class="doubt"
            :d="`M${drawn.spot.x - 0.8} ${drawn.spot.y + 0.8}l1.6 -1.6`"
          />
          <text
            v-if="drawn.label"
            class="print"
            :class="{ strong: drawn.state === 'lit' }"
            :x="drawn.label.x"
            :y="drawn.label.y"
            :text-anchor="drawn.label.anchor"
            :style="
              drawn.label.scale < 1 ? { fontSize: `${letters * drawn.label.scale}px` } : undefined
            "
            :transform="
              drawn.label.turned
                ? `rotate(${drawn.label.turned} ${drawn.label.x} ${drawn.label.y})`
                : undefined
            "
          >
            {{ drawn.pad.label }}
          </text>
        </g>
        <template v-for="drawn in pads" :key="drawn.pad.id">
          <FaceProbe
            v-if="drawn.pad.id === red || drawn.pad.id === black"
            :x="drawn.spot.x"
            :y="drawn.spot.y"
            :is-red="drawn.pad.id === red"
          />
        </template>
      </svg>
    </div>
    <figcaption>
      <p v-if="told" class="told" data-testid="told">{{ told }}</p>
      <p v-if="beneath > 0" class="quiet">{{ beneath }} more on the {{ other }} side.</p>
      <p v-else-if="pads.length === 0" class="quiet">
        {{ onOther === 0 ? 'No pads yet.' : `No pads on this side; ${onOther} on the ${other}.` }}
      </p>
      <p v-if="face.note" class="quiet">{{ face.note }}</p>
    </figcaption>
  </figure>
</template>

<style scoped src="./face.css"></style>
