<script setup lang="ts">
/** The tip of a meter's probe on a pad, told by its letter as well as by its colour. */
defineProps<{ x: number; y: number; isRed: boolean }>()
</script>

<template>
  <g aria-hidden="true" class="probe" :class="{ red: isRed }" :transform="`translate(${x} ${y})`">
    <circle r="1.35" />
    <text>{{ isRed ? 'R' : 'B' }}</text>
  </g>
</template>

<style scoped>
.probe {
  pointer-events: none;
}

circle {
  fill: var(--ink);
  stroke: var(--ground);
  stroke-width: 0.25;
}

.red circle {
  fill: var(--stop);
}

text {
  fill: var(--ground);
  font-family: var(--mono);
  font-size: 1.7px;
  font-weight: 700;
  text-anchor: middle;
  dominant-baseline: central;
}
</style>
