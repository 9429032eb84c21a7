<script setup lang="ts">
import { reactive, watch } from 'vue'
import type { PartsChange, RailsView } from '@/api/client'
import WideTable from '@/ui/WideTable.vue'

type Wire = RailsView['wires'][number]

/** The supply and ground wires: how long and how thick each is. An empty gauge is as thick as the current asks. */
const props = defineProps<{ wires: Wire[] }>()
const emit = defineEmits<{ change: [change: PartsChange] }>()

const key = (w: Wire) => `${w.cut.device} ${w.cut.lead}`
const text = reactive<Record<string, { length: string; gauge: string; error: string }>>({})
watch(
  () => props.wires,
  (wires) => {
    for (const w of wires) {
      text[key(w)] = {
        length: String((w.cut.millimetres ?? 100) / 10),
        gauge: String(w.cut.gauge ?? 28),
        error: '',
      }
    }
  },
  { immediate: true },
)
function take(w: Wire) {
  const row = text[key(w)]
  if (!row) return
  const length = Number(row.length.trim().replace(',', '.'))
  const gauge = Number(row.gauge.trim())
  row.error =
    !(length > 0) || length > 500
      ? 'Enter a length of 0.1 to 500 cm.'
      : row.gauge.trim() !== '' && (!Number.isInteger(gauge) || gauge < 10 || gauge > 40)
        ? 'Enter a whole number, AWG 10 to 40.'
        : ''
  if (row.error !== '') return
  // A gauge that nobody has chosen stays as thick as the current asks.
  const chosen = w.gaugeTold || gauge !== w.cut.gauge
  emit('change', {
    kind: 'cutWire',
    wire: {
      device: w.cut.device,
      lead: w.cut.lead,
      millimetres: length * 10,
      ...(chosen && row.gauge.trim() !== '' ? { gauge } : {}),
    },
  })
}
</script>

<template>
  <section class="no-print" data-section="wires">
    <h2>Supply wires</h2>
    <p v-if="wires.length === 0" class="quiet">No supply wires yet.</p>
    <WideTable v-else>
      <thead>
        <tr>
          <th>Wire</th>
          <th>cm</th>
          <th>AWG</th>
          <th class="n">Resistance, one way</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="w in wires" :key="key(w)" :class="{ usual: !w.told }">
          <td>
            {{ w.words }}
            <p v-if="text[key(w)]?.error" class="error" role="alert">{{ text[key(w)]?.error }}</p>
          </td>
          <td :data-wire="key(w)">
            <input
              v-model="text[key(w)]!.length"
              class="field"
              inputmode="decimal"
              :aria-label="`Length of ${w.words}, cm`"
              @change="take(w)"
            />
          </td>
          <td>
            <input
              v-model="text[key(w)]!.gauge"
              class="field"
              inputmode="numeric"
              :aria-label="`Gauge of ${w.words}, AWG`"
              @change="take(w)"
            />
          </td>
          <td class="n">{{ w.milliohms.toFixed(1) }} mΩ</td>
        </tr>
      </tbody>
    </WideTable>
  </section>
</template>

<style scoped>
h2 {
  margin: 18px 0 4px;
  font-size: 1.25rem;
  font-weight: 650;
}

.field {
  width: 64px;
  min-height: 32px;
  padding: 2px 6px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-variant-numeric: tabular-nums;
}

.usual .field {
  color: var(--ink-2);
}

.n {
  font-variant-numeric: tabular-nums;
  text-align: right;
  white-space: nowrap;
}

.error {
  color: var(--stop);
  font-size: 0.875rem;
}
</style>
