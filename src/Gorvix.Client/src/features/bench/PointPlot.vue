<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, ask, type LoggedReading } from '@/api/client'
import { dayOf } from '@/ui/dayOf'

/** One point over time: what was read, with the band that was good. */
const props = defineProps<{ build: string; check: string }>()
const readings = ref<LoggedReading[]>([])

const width = 440
const height = 110
const left = 52
const bottom = 18
const points = computed(() =>
  readings.value
    .filter((r) => typeof r.value === 'number')
    .map((r) => ({ ...r, value: r.value as number, time: Date.parse(r.at) })),
)
const scale = computed(() => {
  const list = points.value
  const values = list.flatMap((p) => [p.value, p.low, p.high].filter((v) => typeof v === 'number'))
  const [least, most] = [Math.min(...values), Math.max(...values)]
  const pad = (most - least || Math.abs(most) || 1) * 0.12
  const [from, to] = [list[0]?.time ?? 0, list[list.length - 1]?.time ?? 1]
  return {
    least,
    most,
    x: (t: number) => left + (to === from ? 0.5 : (t - from) / (to - from)) * (width - left - 12),
    y: (v: number) =>
      6 + ((most + pad - v) / (most - least + 2 * pad || 1)) * (height - bottom - 10),
  }
})
const drawn = computed(() =>
  points.value.map((p) => ({
    ...p,
    x: scale.value.x(p.time),
    y: scale.value.y(p.value),
    top: scale.value.y(p.high ?? scale.value.most),
    foot: scale.value.y(p.low ?? scale.value.least),
  })),
)
const band = computed(() => {
  const list = drawn.value
  return [
    ...list.map((p) => `${p.x},${p.top}`),
    ...[...list].reverse().map((p) => `${p.x},${p.foot}`),
  ].join(' ')
})
const line = computed(() => drawn.value.map((p) => `${p.x},${p.y}`).join(' '))
const words = computed(() => points.value.map((p) => `${dayOf(p.at)} ${p.value}`).join('; '))

watch(
  () => [props.build, props.check],
  async () => {
    const { data } = await ask(() =>
      api.GET('/api/builds/{id}/bench/points/{check}', {
        params: { path: { id: props.build, check: props.check } },
      }),
    )
    readings.value = data?.readings ?? []
  },
  { immediate: true },
)
</script>

<template>
  <figure v-if="points.length > 1" data-testid="plot">
    <figcaption>{{ points.length }} readings; band = pass range</figcaption>
    <svg :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="words">
      <polygon class="band" :points="band" />
      <polyline :points="line" />
      <g v-for="p in drawn" :key="p.key">
        <circle :class="p.mark" :cx="p.x" :cy="p.y" r="3.5" />
      </g>
      <text :x="left - 6" :y="scale.y(scale.most) + 4" class="end">
        {{ scale.most.toFixed(2) }}
      </text>
      <text :x="left - 6" :y="scale.y(scale.least) + 4" class="end">
        {{ scale.least.toFixed(2) }}
      </text>
      <text :x="left" :y="height - 3">{{ dayOf(points[0]!.at) }}</text>
      <text :x="width - 8" :y="height - 3" class="end">{{ dayOf(points.at(-1)!.at) }}</text>
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 10px 0 0;
}

figcaption {
  color: var(--ink-2);
  font-size: 0.9375rem;
}

svg {
  display: block;
  width: 100%;
  max-width: 520px;
}

.band {
  fill: var(--chosen);
  opacity: 0.14;
}

polyline {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 1;
}

circle {
  fill: var(--chosen);
}

.doubtful {
  fill: var(--warn);
}

.stop {
  fill: var(--stop);
}

text {
  fill: var(--ink-2);
  font-size: 11px;
}

.end {
  text-anchor: end;
}
</style>
