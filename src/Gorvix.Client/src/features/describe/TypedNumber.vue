<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import NumberField from '@/ui/NumberField.vue'

/** A number or nothing, given when the field is left; what is no number stays in the field and says so. */
const props = defineProps<{
  label: string
  field: string
  value: number | null | undefined
  /** True where a heading says already what the number is. */
  quiet?: boolean
  /** A bus address: shown as 0x1E, and taken so or as a decimal number. */
  hex?: boolean
  /** What an empty field means; "unknown" where nothing is given. */
  empty?: string
}>()
const emit = defineEmits<{ change: [value: number | null] }>()

const text = ref('')
watch(
  () => props.value,
  (now) =>
    (text.value =
      now == null
        ? ''
        : props.hex
          ? `0x${now.toString(16).toUpperCase().padStart(2, '0')}`
          : String(now)),
  { immediate: true },
)
const plain = computed(() => text.value.trim().replace(',', '.'))
const error = computed(() =>
  plain.value === '' || Number.isFinite(Number(plain.value))
    ? ''
    : `Enter a number, e.g. ${props.hex ? '0x1E' : '7.4'}.`,
)
function take() {
  if (error.value !== '') return
  const value = plain.value === '' ? null : Number(plain.value)
  if (value !== (props.value ?? null)) emit('change', value)
}
</script>

<template>
  <NumberField
    v-model="text"
    :label="label"
    :quiet="quiet"
    :field="field"
    :placeholder="empty ?? 'unknown'"
    keys="decimal"
    :error="error"
    @change="take"
  />
</template>
