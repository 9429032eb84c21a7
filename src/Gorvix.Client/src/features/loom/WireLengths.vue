<script setup lang="ts">
import { reactive, ref, watch } from 'vue'
import type { BuildDevice, FitSheet, PartsChange } from '@/api/client'

/** How far each device sits from the board, and what is added at the ends: the wires are as long as that and their pads ask. */
const props = defineProps<{
  devices: BuildDevice[]
  names: FitSheet['devices']
  allowance: number
}>()
const emit = defineEmits<{ change: [change: PartsChange] }>()
const text = reactive<Record<string, string>>({})
const added = ref('')
const error = ref('')
const cm = (mm: number | null | undefined) => (mm == null ? '' : String(mm / 10))
watch(
  () => [props.devices, props.allowance] as const,
  () => {
    for (const d of props.devices) text[d.id] = cm(d.distance)
    added.value = cm(props.allowance)
  },
  { immediate: true },
)
const drawn = 'Wire length: from the pad to the board edge, the run to the device, and slack.'
const nameOf = (id: string) => props.names.find((d) => d.id === id)?.name ?? id
function number(typed: string, low: number, high: number): number | null | undefined {
  const plain = typed.trim().replace(',', '.')
  if (plain === '') return null
  const value = Number(plain)
  return value >= low && value <= high ? value * 10 : undefined
}
function place(device: string) {
  const value = number(text[device] ?? '', 0.1, 500)
  error.value = value === undefined ? 'Enter 0.1 to 500 cm, or leave empty if not measured.' : ''
  if (value !== undefined) emit('change', { kind: 'placeDevice', device, millimetres: value })
}
function add() {
  const value = number(added.value, 0, 50)
  error.value = value === undefined ? 'Enter 0 to 50 cm of slack.' : ''
  if (value !== undefined) emit('change', { kind: 'setAllowance', millimetres: value })
}
</script>

<template>
  <section data-testid="lengths">
    <h2>Wire lengths</h2>
    <svg class="plan" viewBox="0 0 300 74" role="img" :aria-label="drawn">
      <rect x="2" y="14" width="74" height="46" class="body" />
      <circle cx="48" cy="37" r="4" class="pad" />
      <rect x="226" y="18" width="68" height="38" class="body" />
      <path d="M48 37H76" class="wire own" />
      <path d="M76 37H200" class="wire" />
      <path d="M200 37C206 20 214 54 226 37" class="wire own" />
      <text x="62" y="30">pad</text>
      <text x="138" y="30" class="asked">run</text>
      <text x="212" y="14">slack</text>
      <text x="39" y="72">board</text>
      <text x="260" y="72">device</text>
    </svg>
    <p class="quiet small">Run in cm; 10 if empty.</p>
    <ul>
      <li v-for="d in devices" :key="d.id">
        <label
          >{{ nameOf(d.id) }}
          <input
            v-model="text[d.id]"
            class="field"
            inputmode="decimal"
            :data-away="d.id"
            @change="place(d.id)"
          />
        </label>
      </li>
      <li>
        <label
          >Slack
          <input
            v-model="added"
            class="field"
            inputmode="decimal"
            data-field="allowance"
            @change="add"
          />
        </label>
      </li>
    </ul>
    <p v-if="error" role="alert" class="error">{{ error }}</p>
  </section>
</template>

<style scoped>
section {
  margin-top: 22px;
}

h2 {
  margin-bottom: 4px;
}

.plan {
  display: block;
  width: min(300px, 100%);
}

.body {
  fill: none;
  stroke: var(--ink-2);
}

.pad {
  fill: var(--ink);
}

.wire {
  fill: none;
  stroke: var(--chosen);
  stroke-width: 3;
}

.wire.own {
  stroke: var(--ink-2);
}

text {
  fill: var(--ink-2);
  font-size: 11px;
  text-anchor: middle;
}

.asked {
  fill: var(--ink);
  font-weight: 650;
}

ul {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  padding: 0;
  list-style: none;
}

label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}

.field {
  width: 72px;
  min-height: 40px;
  padding: 2px 8px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-variant-numeric: tabular-nums;
}

.small {
  margin-bottom: 6px;
  font-size: 0.9375rem;
}

.error {
  margin-top: 6px;
  color: var(--stop);
}
</style>
