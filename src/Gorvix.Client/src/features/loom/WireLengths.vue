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
    <p class="quiet small">
      Cable run from board edge to device, in cm (10 if empty). Distance to the pad and slack are
      added.
    </p>
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
  font-size: 1.25rem;
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
