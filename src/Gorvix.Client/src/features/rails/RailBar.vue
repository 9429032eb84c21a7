<script setup lang="ts">
import { computed } from 'vue'
import type { RailReading } from '@/api/client'
import { drawn } from './useRails'
import { amps, volts } from '@/ui/quantities'

/** A rail as a bar from its source to its limit, its loads stacked on it; what is beyond the limit stands out of it. */
const props = defineProps<{ rail: RailReading; chosen: string | null }>()
defineEmits<{ device: [id: string] }>()

const loads = computed(() =>
  props.rail.loads.map((l) => ({
    ...l,
    id: l.device ?? l.rail ?? '',
    usual: l.typical ?? 0,
    more: Math.max(0, (l.peak ?? l.typical ?? 0) - (l.typical ?? 0)),
  })),
)
const sum = computed(() => loads.value.reduce((all, l) => all + l.usual + l.more, 0))
const scale = computed(() => Math.max(props.rail.limit ?? 0, sum.value, 0.1) * 1.05)
const wide = (a: number) => `${(100 * a) / scale.value}%`
/** What is drawn from the rail, as it is spoken. */
const draws = computed(() => {
  const { typical, peak, atLeast } = props.rail
  const [usual, most] = [drawn(typical, atLeast), drawn(peak, atLeast)]
  if (usual === most) return usual
  return `${usual} typical, ${most} peak`
})
const over = computed(() => props.rail.state === 'over' || props.rail.state === 'strained')
</script>

<template>
  <section class="rail" :class="{ dead: !rail.alive, over }" :data-rail="rail.id">
    <h3>
      <span class="label">{{ rail.label }}</span>
      <span v-if="rail.alive" class="gives"
        >{{ volts(rail.volts)
        }}<template v-if="rail.volts - rail.lowVolts > 0.05">
          – {{ volts(rail.lowVolts) }} at peak load</template
        ></span
      >
      <span v-else class="gives">off</span>
      <span class="left">
        <template v-if="rail.limit == null"
          >{{ drawn(rail.typical, rail.atLeast) }}, limit unknown</template
        >
        <template v-else-if="over"
          >{{ drawn(rail.peak, rail.atLeast) }} peak, limit {{ amps(rail.limit) }}</template
        >
        <template v-else
          >{{ rail.atLeast ? 'at most ' : '' }}{{ amps(rail.left ?? 0) }} of
          {{ amps(rail.limit) }} spare</template
        >
      </span>
    </h3>
    <div
      class="bar"
      role="img"
      :aria-label="`${rail.label}: ${draws}${rail.limit == null ? '' : `, limit ${amps(rail.limit)}`}`"
    >
      <template v-for="l in loads" :key="l.id">
        <i
          class="usual"
          :class="{ chosen: chosen !== null && l.device === chosen }"
          :style="{ width: wide(l.usual) }"
        ></i
        ><i class="more" :style="{ width: wide(l.more) }"></i>
      </template>
      <b v-if="rail.limit != null" class="limit" :style="{ left: wide(rail.limit) }"></b>
    </div>
    <ul class="loads">
      <li v-for="l in loads" :key="l.id">
        <button v-if="l.device" type="button" :data-load="l.id" @click="$emit('device', l.device)">
          {{ l.name }}
        </button>
        <span v-else class="label">{{ l.name }}</span>
        <span class="quiet">
          {{
            l.typical == null
              ? 'current unknown'
              : drawn(l.usual, l.atLeast) +
                (l.more > 0 ? `, ${drawn(l.usual + l.more, l.atLeast)} peak` : '')
          }}</span
        >
      </li>
      <li v-if="loads.length === 0" class="quiet">No load.</li>
    </ul>
  </section>
</template>

<style scoped>
.rail {
  padding: 10px 0 12px;
  border-top: 1px solid var(--line-faint);
}

h3 {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: baseline;
  font-size: 1rem;
}

h3 .label {
  min-width: 48px;
  font-weight: 650;
}

.gives {
  font-variant-numeric: tabular-nums;
}

.left {
  margin-left: auto;
  color: var(--ink-2);
  font-variant-numeric: tabular-nums;
}

.over .left {
  color: var(--stop);
  font-weight: 600;
}

.bar {
  position: relative;
  display: flex;
  height: 18px;
  margin: 4px 0;
  border: 1px solid var(--line);
  background: var(--ground);
}

.bar i {
  flex: none;
  height: 100%;
  /* The bar is the answer: it is printed, where other grounds are left out. */
  print-color-adjust: exact;
}

.usual {
  border-right: 1px solid var(--sheet);
  background: var(--ink-2);
}

.usual.chosen {
  background: var(--chosen);
}

.more {
  background: repeating-linear-gradient(115deg, var(--ink-2) 0 1px, transparent 1px 5px);
}

.limit {
  position: absolute;
  top: -4px;
  bottom: -4px;
  width: 0;
  border-left: 2px solid var(--ink);
}

.over .limit {
  border-color: var(--stop);
}

.dead .bar {
  border-style: dashed;
}

.loads {
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
  font-size: 0.9375rem;
}

.loads li {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 32px;
}

button {
  min-height: 32px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
}

@media print {
  button {
    text-decoration: none;
  }
}
</style>
