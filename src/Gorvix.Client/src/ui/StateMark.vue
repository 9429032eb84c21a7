<script setup lang="ts">
import type { CheckState } from '@/api/client'

/** How a line of a list stands, by shape: open, filled with a hook, half filled, struck through, hooked once and due again. */
defineProps<{
  state: CheckState
  size?: number
  /** True inside a box that says by itself how it stands. */
  mute?: boolean
}>()
const words: Record<CheckState, string> = {
  open: 'not checked',
  proved: 'passed',
  doubtful: 'check again',
  stopped: 'failed – stop',
  dueAgain: 'needs re-check',
}
</script>

<template>
  <svg
    :width="size ?? 20"
    :height="size ?? 20"
    viewBox="0 0 20 20"
    :role="mute ? undefined : 'img'"
    :aria-label="mute ? undefined : words[state]"
    :aria-hidden="mute || undefined"
    :class="state"
  >
    <path v-if="state === 'proved'" class="fill" d="M1 1h18v18h-18z" />
    <path v-if="state === 'doubtful'" class="fill" d="M1 19v-18h9v18z" />
    <rect x="1" y="1" width="18" height="18" />
    <path v-if="state === 'proved'" class="hook" d="M4.5 10.5l4 4 7.5-9" />
    <path v-if="state === 'stopped'" d="M1 19L19 1M1 1l18 18" />
    <path v-if="state === 'dueAgain'" d="M4.5 10.5l4 4 7.5-9" />
  </svg>
</template>

<style scoped>
svg {
  flex: none;
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.5;
}

.fill {
  fill: currentcolor;
}

.hook {
  stroke: var(--ground);
  stroke-width: 2.5;
}

.open {
  color: var(--ink-2);
}

.proved {
  color: var(--chosen);
}

.doubtful {
  color: var(--warn);
}

.stopped {
  color: var(--stop);
  stroke-width: 2;
}

.dueAgain {
  color: var(--ink-2);
  stroke-dasharray: 3 2;
}
</style>
