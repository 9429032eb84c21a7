<script setup lang="ts">
import type { Severity } from '@/api/client'

/** The verdict by shape: a filled square, a half-filled one, an open one with a stroke. */
const props = defineProps<{ severity: Severity; size?: number }>()
const words = { note: 'OK', warn: 'warning', stop: 'problem' }
</script>

<template>
  <svg
    :width="props.size ?? 18"
    :height="props.size ?? 18"
    viewBox="0 0 18 18"
    role="img"
    :aria-label="words[severity]"
    :class="`is-${severity}`"
  >
    <rect x="1.5" y="1.5" width="15" height="15" />
    <path v-if="severity === 'note'" class="fill" d="M1.5 1.5h15v15h-15z" />
    <path v-else-if="severity === 'warn'" class="fill" d="M1.5 16.5v-15h7.5v15z" />
    <path v-else d="M1.5 16.5l15-15" />
  </svg>
</template>

<style scoped>
svg {
  flex: none;
  fill: none;
  stroke: currentcolor;
  stroke-width: 2;
}

.fill {
  fill: currentcolor;
}

.is-note {
  color: var(--chosen);
}

.is-warn {
  color: var(--warn);
}

.is-stop {
  color: var(--stop);
}
</style>
