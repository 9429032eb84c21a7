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
/** What is asked of each supply lead: its window first, and then what it draws. */
const columns: {
  head: string
  field: string
  end?: true
  /** What an empty field means. */
  empty?: string
  of: (s: Supply | undefined) => number | null | undefined
  set: (lead: string, value: number | null) => void
}[] = [
  {
    head: 'Min, V',
    field: 'from',
    end: true,
    of: (s) => s?.window.min,
    set: (lead, value) => volts(lead, 'min', value),
  },
  {
    head: 'Max, V',
    field: 'upto',
    end: true,
    of: (s) => s?.window.max,
    set: (lead, value) => volts(lead, 'max', value),
  },
  {
    head: 'Typical, A',
    field: 'typical',
    of: (s) => s?.typical,
    set: (lead, typical) => supply(lead, (s) => ({ ...s, typical })),
  },
  {
    head: 'Peak, A',
    field: 'peak',
    of: (s) => s?.peak,
    set: (lead, peak) => supply(lead, (s) => ({ ...s, peak })),
  },
  {
    head: 'Constant power, at V',
    field: 'power-at',
    empty: 'no',
    of: (s) => s?.powerAt,
    set: (lead, powerAt) => supply(lead, (s) => ({ ...s, powerAt })),
  },
]
function output(lead: string, next: Partial<Output>) {
  emit('change', (d) => ({
    ...d,
    outputs: [
      ...(d.outputs ?? []).filter((o) => o.lead !== lead),
      { ...outputOf(lead), ...next, lead },
    ],
  }))
}
</script>

<template>
  <table v-if="feeds.length > 0" class="supplies">
    <thead>
      <tr>
        <th scope="col">Supply lead</th>
        <th v-for="c in columns" :key="c.field" scope="col">{{ c.head }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="lead in feeds" :key="lead.id" :data-feed="lead.id">
        <th scope="row" class="label">{{ lead.label }}</th>
        <td v-for="c in columns" :key="c.field">
          <TypedNumber
            v-if="c.end || supplyOf(lead.id)"
            quiet
            :label="`${lead.label} ${c.head}`"
            :field="c.field"
            :value="c.of(supplyOf(lead.id))"
            :empty="c.empty"
            @change="c.set(lead.id, $event)"
          />
        </td>
      </tr>
    </tbody>
  </table>
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
.supplies {
  width: 100%;
  border-spacing: 8px 2px;
  margin-left: -8px;
}

.supplies th {
  font-weight: 400;
  text-align: left;
}

.supplies thead th {
  color: var(--ink-2);
  font-size: 0.875rem;
}

.supplies tbody th {
  font-weight: 600;
}

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
