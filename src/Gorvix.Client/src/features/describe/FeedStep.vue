<script setup lang="ts">
import { computed } from 'vue'
import type { Device } from '@/api/client'
import LineField from '@/ui/LineField.vue'
import { part, percent } from './percent'
import TypedNumber from './TypedNumber.vue'

/** What each supply lead takes and draws, and what the device offers to others. */
const props = defineProps<{ device: Device }>()
const emit = defineEmits<{ change: [edit: (device: Device) => Device] }>()
type Supply = NonNullable<Device['supplies']>[number]
type Output = NonNullable<Device['outputs']>[number]

const kinds = [
  { value: null, title: 'unknown' },
  { value: 'linear', title: 'linear' },
  { value: 'switching', title: 'switching' },
]
const filters = [
  { value: null, title: 'unknown' },
  { value: 'filtered', title: 'filtered' },
  { value: 'unfiltered', title: 'unfiltered' },
]
const feeds = computed(() => props.device.leads.filter((l) => l.role === 'supply'))
const offers = computed(() => props.device.leads.filter((l) => l.role === 'output'))
const supplyOf = (lead: string) => props.device.supplies?.find((s) => s.lead === lead)
const outputOf = (lead: string) => props.device.outputs?.find((o) => o.lead === lead)

function supply(lead: string, edit: (now: Supply) => Supply | null) {
  emit('change', (d) => {
    const now = d.supplies?.find((s) => s.lead === lead) ?? { lead, window: { min: 0, max: 0 } }
    const next = edit(now)
    const others = (d.supplies ?? []).filter((s) => s.lead !== lead)
    const order = d.leads.map((l) => l.id)
    return {
      ...d,
      supplies: [...others, ...(next ? [next] : [])].sort(
        (a, b) => order.indexOf(a.lead) - order.indexOf(b.lead),
      ),
    }
  })
}
/** One end alone is no window: both ends are the same then, and the part says so until the other one is written. */
function volts(lead: string, end: 'min' | 'max', value: number | null) {
  supply(lead, (now) => {
    if (value === null) return null
    const window = now.window.max > 0 ? now.window : { min: value, max: value }
    return { ...now, window: { ...window, [end]: value } }
  })
}
function output(lead: string, next: Partial<Output>) {
  emit('change', (d) => ({
    ...d,
    outputs: (d.outputs ?? []).map((o) => (o.lead === lead ? { ...o, ...next } : o)),
  }))
}
</script>

<template>
  <div v-for="lead in feeds" :key="lead.id" class="fields five" :data-feed="lead.id">
    <p class="name">
      <span class="label">{{ lead.label }}</span> input
    </p>
    <TypedNumber
      label="Min, V"
      field="from"
      :value="supplyOf(lead.id)?.window.min"
      @change="volts(lead.id, 'min', $event)"
    />
    <TypedNumber
      label="Max, V"
      field="upto"
      :value="supplyOf(lead.id)?.window.max"
      @change="volts(lead.id, 'max', $event)"
    />
    <TypedNumber
      v-if="supplyOf(lead.id)"
      label="Typical, A"
      field="typical"
      :value="supplyOf(lead.id)?.typical"
      @change="supply(lead.id, (s) => ({ ...s, typical: $event }))"
    />
    <TypedNumber
      v-if="supplyOf(lead.id)"
      label="Peak, A"
      field="peak"
      :value="supplyOf(lead.id)?.peak"
      @change="supply(lead.id, (s) => ({ ...s, peak: $event }))"
    />
  </div>
  <div v-for="lead in offers" :key="lead.id" class="fields five" :data-offer="lead.id">
    <p class="name">
      <span class="label">{{ lead.label }}</span> output
    </p>
    <TypedNumber
      label="Output, V"
      field="gives"
      :value="outputOf(lead.id)?.volts"
      @change="output(lead.id, { volts: $event })"
    />
    <TypedNumber
      label="Limit, A"
      field="limit"
      :value="outputOf(lead.id)?.limit"
      @change="output(lead.id, { limit: $event })"
    />
    <LineField v-slot="{ id }" label="Motor noise">
      <v-select
        :id="id"
        data-field="filtering"
        :items="filters"
        :model-value="outputOf(lead.id)?.filtering ?? null"
        @update:model-value="output(lead.id, { filtering: $event })"
      />
    </LineField>
    <div class="fields four more">
      <LineField v-slot="{ id }" label="Regulator type">
        <v-select
          :id="id"
          data-field="kind"
          :items="kinds"
          :model-value="outputOf(lead.id)?.kind ?? null"
          @update:model-value="output(lead.id, { kind: $event })"
        />
      </LineField>
      <TypedNumber
        label="Dropout, V"
        field="dropout"
        :value="outputOf(lead.id)?.dropout"
        @change="output(lead.id, { dropout: $event })"
      />
      <TypedNumber
        label="Efficiency, %"
        field="efficiency"
        :value="percent(outputOf(lead.id)?.efficiency)"
        @change="output(lead.id, { efficiency: part($event) })"
      />
      <TypedNumber
        label="Quiescent current, A"
        field="quiescent"
        :value="outputOf(lead.id)?.quiescent"
        @change="output(lead.id, { quiescent: $event })"
      />
    </div>
  </div>
  <p v-if="feeds.length + offers.length === 0" class="quiet">No supply leads.</p>
</template>

<style scoped>
.name {
  align-self: center;
}

.more {
  grid-column: 2 / -1;
}

.name .label {
  font-weight: 600;
}
</style>
