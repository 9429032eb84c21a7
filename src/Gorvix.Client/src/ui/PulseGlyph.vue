<script setup lang="ts">
import { computed } from 'vue'
import type { Polarity } from '@/api/client'
import { pulsePath } from './pulse'

/** The sign for polarity: a pulse train that rests high (normal) or low (inverted). */
const props = withDefaults(defineProps<{ polarity: Polarity; width?: number; height?: number }>(), {
  width: 44,
  height: 16,
})
const path = computed(() =>
  pulsePath(props.polarity, props.width, 2, props.height - 2, props.width / 5),
)
const words = computed(() => (props.polarity === 'normal' ? 'idles high' : 'idles low'))
</script>

<template>
  <svg
    class="pulse"
    :width="width"
    :height="height"
    :viewBox="`0 0 ${width} ${height}`"
    role="img"
    :aria-label="words"
  >
    <path :d="path" />
  </svg>
</template>

<style scoped>
.pulse {
  display: inline-block;
  flex: none;
  vertical-align: middle;
}

path {
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.5;
}
</style>
