<script setup lang="ts">
import { computed } from 'vue'
import type { Satellite } from '@/api/client'

/** The sky from below: each satellite a dot, the stronger the larger; a filled one carries the fix. */
const props = defineProps<{ sky: Satellite[] }>()
const dots = computed(() =>
  props.sky.map((s) => {
    const angle = ((s.azimuth - 90) * Math.PI) / 180
    const r = (90 * (90 - Math.max(0, s.elevation))) / 90
    return {
      ...s,
      x: 100 + r * Math.cos(angle),
      y: 100 + r * Math.sin(angle),
      size: 2 + s.strength / 10,
    }
  }),
)
const words = computed(() => {
  const used = props.sky.filter((s) => s.isUsed).length
  return `${props.sky.length} satellites in view, ${used} used`
})
</script>

<template>
  <svg viewBox="0 0 200 200" role="img" :aria-label="words" class="sky">
    <circle cx="100" cy="100" r="90" class="rim" />
    <circle cx="100" cy="100" r="45" class="rim faint" />
    <path d="M100 4v8" class="rim" />
    <text x="100" y="24">N</text>
    <circle
      v-for="d in dots"
      :key="d.number"
      :cx="d.x"
      :cy="d.y"
      :r="d.size"
      :class="{ used: d.isUsed }"
      class="dot"
    >
      <title>{{ d.number }}: elevation {{ d.elevation }}°, {{ d.strength }} dB-Hz</title>
    </circle>
  </svg>
</template>

<style scoped>
.sky {
  flex: none;
  width: 180px;
  height: 180px;
}

.rim {
  fill: none;
  stroke: var(--ink-2);
}

.faint {
  stroke: var(--line);
  stroke-dasharray: 2 4;
}

.dot {
  fill: none;
  stroke: var(--ink);
}

.dot.used {
  fill: var(--chosen);
  stroke: var(--chosen);
}

text {
  fill: var(--ink-2);
  font-size: 11px;
  text-anchor: middle;
}
</style>
