<script setup lang="ts">
import type { BoardFace } from '@/api/client'
import type { Spot } from './face'

/** The bridges of one side: a row of small pads each, with its label beside it. */
defineProps<{
  bridges: { bridge: BoardFace['bridges'][number]; spot: Spot; width: number }[]
  /** Label of the one that is looked at. */
  chosen: string | null
}>()
const emit = defineEmits<{ point: [words: string | null]; press: [id: string] }>()
</script>

<template>
  <g
    v-for="b in bridges"
    :key="b.bridge.id"
    class="bridge"
    :class="{ lit: b.bridge.id === chosen }"
    role="button"
    tabindex="0"
    :aria-label="b.bridge.words"
    :data-bridge="b.bridge.id"
    @click="emit('press', b.bridge.id)"
    @keydown.enter.prevent="emit('press', b.bridge.id)"
    @keydown.space.prevent="emit('press', b.bridge.id)"
    @focus="emit('point', b.bridge.words)"
    @blur="emit('point', null)"
    @pointerenter="emit('point', b.bridge.words)"
    @pointerleave="emit('point', null)"
  >
    <rect
      class="hit"
      :x="b.spot.x - b.width / 2 - 0.5"
      :y="b.spot.y - 1"
      :width="b.width + 1"
      height="2"
    />
    <rect
      v-for="n in b.bridge.pads"
      :key="n"
      :x="b.spot.x - b.width / 2 + (n - 1) * 0.9 + 0.1"
      :y="b.spot.y - 0.45"
      width="0.7"
      height="0.9"
    />
    <text class="bridge-name" :x="b.spot.x + b.width / 2 + 0.4" :y="b.spot.y">
      {{ b.bridge.id }}
    </text>
  </g>
</template>

<style scoped>
/* Solder joins them: a row of small pads that is worked on with a fine tip. */
.bridge {
  cursor: pointer;
  outline: none;
}

.bridge .hit {
  fill: transparent;
  stroke: none;
}

.bridge:focus-visible .hit {
  stroke: var(--chosen);
  stroke-width: 0.3;
}

.bridge rect:not(.hit) {
  fill: var(--sheet);
  stroke: var(--ink-2);
  stroke-width: 0.12;
}

.bridge.lit rect:not(.hit) {
  fill: var(--chosen);
  stroke: var(--chosen);
}

.bridge-name {
  fill: var(--ink-2);
  font-family: var(--mono);
  dominant-baseline: central;
  font-size: 1.1px;
  text-anchor: start;
}

.bridge.lit .bridge-name {
  fill: var(--chosen);
  font-weight: 700;
}
</style>
