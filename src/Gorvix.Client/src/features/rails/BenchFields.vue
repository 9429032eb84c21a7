<script setup lang="ts">
import { computed, reactive, watch } from 'vue'
import type { Setup, SetupChoices } from '@/api/client'
import LineField from '@/ui/LineField.vue'
import NumberField from '@/ui/NumberField.vue'

/** What is on the bench: the USB port, the supply with its knobs, the lamp, the limiter, and the pack's resistance. */
const props = defineProps<{ setup: Setup; choices: SetupChoices | null }>()
const emit = defineEmits<{ change: [setup: Setup] }>()

type Field = 'milliohms' | 'benchVolts' | 'benchAmps' | 'bulbVolts' | 'bulbWatts' | 'limiterAmps'
const fields: { id: Field; label: string; empty: string }[] = [
  { id: 'milliohms', label: 'Battery resistance, mΩ', empty: 'not measured' },
  { id: 'benchVolts', label: 'Bench supply, V', empty: 'none' },
  { id: 'benchAmps', label: 'Bench limit, A', empty: 'none' },
  { id: 'bulbVolts', label: 'Bulb, V', empty: '12' },
  { id: 'bulbWatts', label: 'Bulb, W', empty: '21' },
  { id: 'limiterAmps', label: 'Current limiter, A', empty: '1' },
]
const text = reactive<Record<Field, string>>({
  milliohms: '',
  benchVolts: '',
  benchAmps: '',
  bulbVolts: '',
  bulbWatts: '',
  limiterAmps: '',
})
const written = (v: number | null | undefined) => (v == null ? '' : String(v))
watch(
  () => props.setup,
  (s) => {
    const power = s.power
    text.milliohms = written(s.pack?.milliohms)
    text.benchVolts = written(power?.bench?.volts)
    text.benchAmps = written(power?.bench?.amps)
    text.bulbVolts = written(power?.bulbVolts)
    text.bulbWatts = written(power?.bulbWatts)
    text.limiterAmps = written(power?.limiterAmps)
  },
  { immediate: true, deep: true },
)
const shown = computed(() => fields.filter((f) => f.id !== 'milliohms' || props.setup.pack))
const half = computed(() => (text.benchVolts.trim() === '') !== (text.benchAmps.trim() === ''))
const valueOf = (field: Field) => {
  const word = text[field].trim().replace(',', '.')
  return word === '' ? null : Number(word)
}
function errorOf(field: Field) {
  const value = valueOf(field)
  return value === null || value > 0 || (field === 'milliohms' && value === 0)
    ? ''
    : 'Enter a number above 0.'
}
function take() {
  if (half.value || fields.some((f) => errorOf(f.id) !== '')) return
  const [benchVolts, benchAmps] = [valueOf('benchVolts'), valueOf('benchAmps')]
  emit('change', {
    ...props.setup,
    pack: props.setup.pack && { ...props.setup.pack, milliohms: valueOf('milliohms') },
    power: {
      ...props.setup.power,
      bench:
        benchVolts === null || benchAmps === null ? null : { volts: benchVolts, amps: benchAmps },
      bulbVolts: valueOf('bulbVolts') ?? 12,
      bulbWatts: valueOf('bulbWatts') ?? 21,
      limiterAmps: valueOf('limiterAmps') ?? 1,
    },
  })
}
function plug(usb: string) {
  emit('change', { ...props.setup, power: { ...props.setup.power, usb: usb as 'usb2' } })
}
</script>

<template>
  <section class="no-print" data-section="bench">
    <h2>Bench equipment</h2>
    <LineField v-slot="{ id }" label="USB port">
      <v-select
        :id="id"
        data-field="usb"
        :items="choices?.usbPorts ?? []"
        item-title="words"
        :model-value="setup.power?.usb ?? 'usb2'"
        @update:model-value="plug($event)"
      />
    </LineField>
    <div class="row">
      <NumberField
        v-for="f in shown"
        :key="f.id"
        v-model="text[f.id]"
        :label="f.label"
        :field="f.id"
        :placeholder="f.empty"
        keys="decimal"
        :error="errorOf(f.id)"
        @change="take"
      />
    </div>
    <p v-if="half" class="quiet small" role="status">
      Enter both bench supply voltage and limit, or neither.
    </p>
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 4px;
}

.row {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 4px 12px;
  margin-top: 6px;
}

.small {
  font-size: 0.9375rem;
}
</style>
