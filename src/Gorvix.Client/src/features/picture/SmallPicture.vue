<script setup lang="ts">
import type { SmallPicture } from '@/api/client'
import { limits } from '@/api/limits'

/** A build, a board or a device, small: what stands beside it says in words what it shows. */
defineProps<{ picture: SmallPicture; labels?: boolean }>()

/** A lead is drawn in its usual colour; where no manual says it, dashed. */
const ink = (colour: string | null) => (colour ? limits.wireColours[colour] : undefined)
</script>

<template>
  <svg :viewBox="`0 0 ${picture.width} ${picture.height}`" aria-hidden="true">
    <template v-for="(shape, i) in picture.shapes" :key="i">
      <path v-if="ink(shape.colour)" class="edge" :class="shape.kind" :d="shape.path" />
      <path
        :class="[
          shape.kind,
          { lead: ink(shape.colour), unknown: shape.colour !== null && !ink(shape.colour) },
        ]"
        :d="shape.path"
        :style="ink(shape.colour) ? { stroke: ink(shape.colour) } : undefined"
      />
    </template>
    <template v-if="labels">
      <text
        v-for="text in picture.texts"
        :key="text.y"
        :x="text.x"
        :y="text.y"
        :font-size="text.size"
        text-anchor="end"
      >
        {{ text.text }}
      </text>
    </template>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  height: 100%;
}

path {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 1px;
  vector-effect: non-scaling-stroke;
}

.board,
.body,
.plug {
  fill: var(--ground);
}

.socket,
.hole,
.pad {
  fill: var(--sheet);
}

.used {
  fill: var(--ink);
  stroke: none;
}

.supply {
  stroke: var(--ink);
  stroke-width: 1.5px;
}

.signal {
  stroke: var(--chosen);
}

/* In the colours of a device's leads there is room for an edge. */
.edge {
  stroke: var(--ink-2);
  stroke-width: 4px;
}

.lead {
  stroke-width: 2.5px;
}

.unknown {
  stroke: var(--ink-2);
  stroke-dasharray: 4 2;
  stroke-width: 1.5px;
}

text {
  fill: var(--ink);
  font-family: var(--mono);
  dominant-baseline: central;
}
</style>
