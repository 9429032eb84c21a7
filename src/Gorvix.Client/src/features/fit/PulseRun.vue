<script setup lang="ts">
import { computed } from 'vue'
import type { Polarity, WaveStep } from '@/api/client'
import { wavePath } from '@/ui/pulse'

/** The stretch of wire between two stations, with the signal as it is there; a plain line where it is no train. */
const props = defineProps<{ polarity: Polarity; wave: WaveStep[] }>()
const path = computed(() =>
  props.wave.length > 0 ? wavePath(props.wave, props.polarity, 120, 6, 26) : 'M0 16H120',
)
</script>

<template>
  <div class="run">
    <svg viewBox="0 0 120 32" preserveAspectRatio="none" aria-hidden="true">
      <path :d="path" />
    </svg>
    <span v-if="wave.length > 0" class="idle">{{
      polarity === 'normal' ? 'idles high' : 'idles low'
    }}</span>
  </div>
</template>

<style scoped>
.run {
  display: flex;
  flex: 1 1 48px;
  flex-direction: column;
  align-items: center;
  min-width: 48px;
}

@media print {
  .run {
    min-width: 20px;
  }
}

svg {
  width: 100%;
  height: 32px;
}

path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}

.idle {
  text-align: center;
  margin-top: 4px;
  color: var(--ink-2);
  font-size: 0.8125rem;
  line-height: 1.2;
}
</style>
