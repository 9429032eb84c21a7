<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import NumberField from '@/ui/NumberField.vue'

/** The volts of a source that is not the pack; empty when the pack feeds the board. */
const props = defineProps<{ volts: number | null }>()
const emit = defineEmits<{ change: [volts: number | null] }>()

const text = ref('')
watch(
  () => props.volts,
  (now) => (text.value = now === null ? '' : String(now)),
  { immediate: true },
)
const empty = computed(() => text.value.trim() === '')
const error = computed(() =>
  empty.value || Number(text.value) > 0
    ? ''
    : 'Enter a voltage above 0, e.g. 5. Leave empty if battery-powered.',
)

function take() {
  if (error.value === '') emit('change', empty.value ? null : Number(text.value))
}
</script>

<template>
  <NumberField
    v-model="text"
    label="Board supply, V"
    field="input-volts"
    placeholder="battery"
    keys="decimal"
    :error="error"
    @change="take"
  />
</template>
