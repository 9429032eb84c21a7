<script setup lang="ts">
import { ref } from 'vue'

/** The edge between a page and the panel at its right: dragged, or moved by the arrow keys, it makes the panel wider or narrower. */
const width = defineModel<number>({ required: true })
const props = defineProps<{
  /** In pixels. */
  least: number
  most: number
  /** What the panel is called. */
  name: string
}>()
const held = ref<{ at: number; was: number } | null>(null)

const clamp = (to: number) => Math.round(Math.min(props.most, Math.max(props.least, to)))
function grab(event: PointerEvent) {
  ;(event.target as HTMLElement).setPointerCapture(event.pointerId)
  held.value = { at: event.clientX, was: width.value }
}
function drag(event: PointerEvent) {
  if (held.value) width.value = clamp(held.value.was + held.value.at - event.clientX)
}
function key(event: KeyboardEvent) {
  const by = { ArrowLeft: 24, ArrowRight: -24 }[event.key]
  if (!by) return
  event.preventDefault()
  event.stopPropagation()
  width.value = clamp(width.value + by)
}
</script>

<template>
  <div
    class="edge no-print"
    role="separator"
    tabindex="0"
    aria-orientation="vertical"
    :aria-label="`Width of ${name}`"
    :aria-valuenow="width"
    :aria-valuemin="least"
    :aria-valuemax="most"
    @pointerdown.prevent="grab"
    @pointermove="drag"
    @pointerup="held = null"
    @pointercancel="held = null"
    @keydown="key"
  ></div>
</template>

<style scoped>
.edge {
  position: relative;
  width: 12px;
  cursor: col-resize;
  touch-action: none;
}

.edge::after {
  position: absolute;
  top: 12px;
  left: 5px;
  width: 2px;
  height: 44px;
  background: var(--line);
  content: '';
}

.edge:hover::after,
.edge:focus-visible::after {
  background: var(--chosen);
}
</style>
