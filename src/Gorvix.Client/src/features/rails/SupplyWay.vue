<script setup lang="ts">
import { computed } from 'vue'
import type { LeadReading } from '@/api/client'
import { feedWords } from './useRails'
import { volts } from '@/ui/quantities'

/** The way of a supply: the source at the left, the lead at the right, what a meter reads at every station, and how it ends. */
const props = defineProps<{ lead: LeadReading }>()

const bad = computed(() => ['burns', 'starves', 'ungrounded', 'unfed'].includes(props.lead.state))
const spoken = computed(
  () =>
    `${props.lead.way.map((s) => `${s.what} ${volts(s.volts)}`).join(', ')}: ${feedWords[props.lead.state]}`,
)
</script>

<template>
  <div class="lane" role="img" :aria-label="spoken">
    <div class="way">
      {{ lead.label }}<br /><span class="quiet">{{ lead.window.min }}–{{ lead.window.max }} V</span>
    </div>
    <p v-if="lead.way.length === 0" class="quiet">
      {{ lead.state === 'unfed' ? 'Not powered in this plan.' : 'No stable voltage.' }}
    </p>
    <ol v-else>
      <li v-for="(s, i) in lead.way" :key="i">
        <span class="volts">{{ volts(s.volts) }}</span>
        <span class="wire"><i class="box"></i></span>
        <span class="label what">{{ s.what }}</span>
      </li>
      <li class="end" :class="{ bad }">
        <span class="state">{{ feedWords[lead.state] }}</span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.lane {
  display: flex;
  align-items: flex-start;
  padding: 8px 0 6px;
}

.way {
  width: clamp(84px, 10vw, 120px);
  flex: none;
  font-size: 0.875rem;
  line-height: 1.25;
}

ol {
  display: flex;
  flex: 1;
  flex-wrap: wrap;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  flex: 1 1 76px;
  flex-direction: column;
  max-width: 190px;
}

.volts {
  font-variant-numeric: tabular-nums;
}

.wire {
  position: relative;
  height: 14px;
}

.wire::before {
  position: absolute;
  top: 6px;
  right: 0;
  left: 0;
  border-top: 2px solid var(--ink);
  content: '';
}

.box {
  position: absolute;
  top: 1px;
  left: 0;
  width: 12px;
  height: 12px;
  border: 1px solid var(--ink);
  background: var(--sheet);
}

@media print {
  .lane {
    break-inside: avoid;
  }
}

.what {
  padding-right: 10px;
  font-size: 0.875rem;
  overflow-wrap: anywhere;
}

.end {
  flex: 0 0 auto;
  justify-content: center;
}

.state {
  padding: 0 8px;
}

.bad .state {
  border: 2px solid var(--stop);
  color: var(--stop);
  font-weight: 650;
}

@container (max-width: 780px) {
  .way {
    width: 66px;
  }

  li {
    flex-basis: 48px;
    font-size: 0.8125rem;
  }

  .what {
    padding-right: 4px;
    font-size: 0.75rem;
  }
}
</style>
