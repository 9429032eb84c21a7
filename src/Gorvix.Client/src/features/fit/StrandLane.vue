<script setup lang="ts">
import { computed } from 'vue'
import type { Lane } from '@/api/client'
import PulseRun from './PulseRun.vue'
import WireStub from './WireStub.vue'

/** One wire of a strand: the device at the left, the controller at the right, a station for each hop. */
const props = defineProps<{ lane: Lane }>()

/** A picture and a level are no train: their wire is a plain line. */
const flat = computed(() => props.lane.wave.length === 0)
const last = computed(() => props.lane.hops.length - 1)
const spoken = computed(() =>
  props.lane.hops
    .map((h) =>
      props.lane.wave.length
        ? `${h.words === h.label ? h.label : `${h.words} ${h.label}`}, idles ${h.after === 'normal' ? 'high' : 'low'}`
        : `${h.words} ${h.label}`,
    )
    .join('; '),
)

/** How the line rests where it comes into a station; null before the first. */
function before(index: number) {
  return props.lane.hops[index - 1]?.after ?? null
}
/** How it rests where it leaves; null after the last. */
function after(index: number) {
  return index < last.value ? (props.lane.hops[index]?.after ?? null) : null
}
</script>

<template>
  <div class="lane" role="img" :aria-label="spoken">
    <div class="way">
      {{ lane.flow
      }}<template v-if="lane.colour"
        ><br /><span class="quiet">{{ lane.colour }} wire</span></template
      >
    </div>
    <template v-for="(hop, i) in lane.hops" :key="i">
      <div class="stop" :class="[hop.kind, { fault: !lane.ok && i === last }]">
        <div class="through">
          <WireStub :level="before(i)" :flat="flat" />
          <svg v-if="hop.kind === 'inverter'" class="symbol" viewBox="0 0 40 32" aria-hidden="true">
            <path d="M0 2v28l30-14z" />
            <circle cx="35" cy="16" r="4.5" />
          </svg>
          <span v-else class="box label">{{ hop.label }}</span>
          <WireStub :level="after(i)" :flat="flat" />
        </div>
        <span class="kind">{{ hop.words }}</span>
        <span v-if="hop.note" class="note">{{ hop.note }}</span>
      </div>
      <PulseRun v-if="i < last" :polarity="hop.after" :wave="lane.wave" />
    </template>
    <div v-if="!lane.ok" class="end fault">blocked here</div>
  </div>
</template>

<style scoped>
.lane {
  display: flex;
  align-items: flex-start;
  min-width: 640px;
  padding: 10px 0 6px;
}

.way {
  width: clamp(84px, 10vw, 120px);
  flex: none;
  font-size: 0.875rem;
  line-height: 1.25;
}

@media print {
  .lane {
    min-width: 0;
  }

  .job .box {
    background: none;
    color: #000;
  }
}

.stop {
  display: flex;
  flex: none;
  flex-direction: column;
  align-items: center;
  max-width: 112px;
  font-size: 0.8125rem;
  line-height: 1.2;
  text-align: center;
}

.stop.job {
  max-width: none;
}

.through {
  display: flex;
  align-self: stretch;
}

.box,
.symbol {
  display: grid;
  place-items: center;
  min-width: 52px;
  height: 32px;
  padding: 0 8px;
  border: 1px solid var(--ink);
  background: var(--sheet);
  font-size: 0.9375rem;
  font-weight: 600;
  white-space: nowrap;
}

.symbol {
  min-width: 40px;
  width: 40px;
  padding: 0;
  border: 0;
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.75;
}

.job .box {
  border-color: var(--chosen);
  background: var(--chosen);
  color: var(--on-chosen);
}

.kind {
  margin-top: 4px;
}

.note {
  color: var(--ink-2);
}

.fault .box,
.end {
  border-color: var(--stop);
  color: var(--stop);
}

.end {
  padding: 6px 10px;
  font-weight: 600;
}

/* In a narrow panel the words stand over the lane, and goes on below where its stations find no room. */
@container (max-width: 780px) {
  .lane {
    position: relative;
    flex-wrap: wrap;
    row-gap: 6px;
    min-width: 0;
    padding-top: 30px;
  }

  .way {
    position: absolute;
    top: 8px;
    width: auto;
  }

  .way br {
    display: none;
  }

  .way .quiet::before {
    content: ' · ';
  }

  .box {
    min-width: 40px;
    padding: 0 5px;
    font-size: 0.8125rem;
  }

  .stop {
    max-width: 84px;
    font-size: 0.75rem;
  }

  .lane :deep(.run) {
    flex-basis: 24px;
    min-width: 24px;
  }

  .lane :deep(.idle) {
    font-size: 0.75rem;
  }
}
</style>
