<script setup lang="ts">
import { computed } from 'vue'
import type { LeadReading, RailsView } from '@/api/client'
import { feedWords } from './useRails'
import { volts } from '@/ui/quantities'

/** The window of a lead as a band; in it the span that it gets from the empty to the full pack, and where it stands now. */
const props = defineProps<{
  lead: LeadReading
  span: RailsView['spans'][number] | undefined
  chosen: boolean
}>()
defineEmits<{ choose: [] }>()

// What destroys it is what it gets before anything draws current.
const has = computed(() => (props.lead.state === 'burns' ? props.lead.mostVolts : props.lead.volts))
const isPeak = computed(
  () =>
    props.lead.state === 'burns' && (props.lead.mostVolts ?? 0) - (props.lead.volts ?? 0) >= 0.05,
)
const top = computed(
  () => Math.max(props.lead.window.max, props.span?.high ?? 0, has.value ?? 0, 1) * 1.1,
)
const at = (v: number) => `${(100 * Math.max(0, v)) / top.value}%`
const fed = computed(() => props.lead.rail != null && has.value != null)
</script>

<template>
  <button
    type="button"
    class="band"
    :class="[lead.state, { chosen }]"
    :data-window="`${lead.device} ${lead.lead}`"
    :aria-pressed="chosen"
    @click="$emit('choose')"
  >
    <span class="name"
      ><strong>{{ lead.name }}</strong> <span class="label">{{ lead.label }}</span></span
    >
    <span
      class="axis"
      role="img"
      :aria-label="`needs ${volts(lead.window.min)} to ${volts(lead.window.max)}${fed ? `, has ${volts(has ?? 0)}` : ''}`"
    >
      <i
        class="window"
        :style="{ left: at(lead.window.min), right: `calc(100% - ${at(lead.window.max)})` }"
      ></i>
      <i
        v-if="span"
        class="span"
        :style="{ left: at(span.low), right: `calc(100% - ${at(span.high)})` }"
      ></i>
      <b v-if="fed" class="now" :style="{ left: at(has ?? 0) }"></b>
    </span>
    <span class="figures"
      ><span v-if="fed">{{ volts(has ?? 0) }}{{ isPeak ? ' at switch-on' : '' }}</span
      ><span class="quiet">{{ lead.window.min }}–{{ lead.window.max }} V</span></span
    >
    <span class="state">{{ feedWords[lead.state] }}</span>
  </button>
</template>

<style scoped>
.band {
  display: grid;
  grid-template-columns: minmax(120px, 190px) minmax(100px, 1fr) 180px 100px;
  gap: 4px 16px;
  align-items: center;
  width: 100%;
  min-height: 46px;
  padding: 4px 10px;
  border: 0;
  border-top: 1px solid var(--line-faint);
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.band.chosen {
  box-shadow: inset 3px 0 0 var(--chosen);
}

.name {
  overflow-wrap: anywhere;
}

.axis {
  position: relative;
  display: block;
  height: 22px;
  border-bottom: 1px solid var(--line);
}

.window {
  position: absolute;
  top: 2px;
  bottom: 2px;
  border: 1px solid var(--ink-2);
  border-width: 0 1px;
  background: var(--line-faint);
}

.span {
  position: absolute;
  top: 9px;
  height: 4px;
  min-width: 3px;
  background: var(--ink-2);
}

.now {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 3px;
  margin-left: -1px;
  background: var(--chosen);
}

.burns .now,
.starves .now {
  background: var(--stop);
}

.window,
.span,
.now {
  print-color-adjust: exact;
}

.figures {
  display: flex;
  gap: 10px;
  justify-content: space-between;
  font-variant-numeric: tabular-nums;
}

.state {
  font-size: 0.9375rem;
}

.tight .state {
  padding: 2px 6px;
  border: 1px solid var(--warn);
}

.burns .state,
.starves .state,
.ungrounded .state {
  padding: 2px 6px;
  border: 2px solid var(--stop);
  color: var(--stop);
  font-weight: 650;
}

.silent .state,
.unfed .state {
  color: var(--ink-2);
}

@media (max-width: 900px) {
  .band {
    grid-template-columns: 1fr auto 96px;
  }

  .axis {
    grid-row: 2;
    grid-column: 1 / 4;
  }
}
</style>
