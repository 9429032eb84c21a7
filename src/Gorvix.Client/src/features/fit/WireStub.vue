<script setup lang="ts">
import type { Polarity } from '@/api/client'

/** The resting line between a run and the box of a station whose words make it wider than its box. */
defineProps<{ level: Polarity | null; flat: boolean }>()
</script>

<template>
  <svg viewBox="0 0 10 32" preserveAspectRatio="none" aria-hidden="true">
    <path v-if="level" :d="flat ? 'M0 16H10' : level === 'normal' ? 'M0 6H10' : 'M0 26H10'" />
  </svg>
</template>

<style scoped>
svg {
  flex: 1;
  width: 0;
  height: 32px;
}

path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}
</style>
