<script setup lang="ts">
import { ref, useTemplateRef, watch } from 'vue'
import { numberOf } from './useBench'

/** Where a number off a meter is typed. */
defineProps<{
  /** What the number is of, as it stands behind it. */
  unit: string
  label: string
  /** What its button says. */
  action: string
  /** How a number can be written. */
  example: string
  disabled?: boolean
}>()
const emit = defineEmits<{ give: [value: number] }>()
const typed = defineModel<string>({ required: true })
const isWrong = ref(false)
const field = useTemplateRef<HTMLInputElement>('field')

watch(typed, () => {
  isWrong.value = false
})
function give() {
  if (typed.value.trim() === '') return
  const value = numberOf(typed.value)
  isWrong.value = value === null
  if (value !== null) emit('give', value)
}
defineExpose({ focus: () => field.value?.focus() })
</script>

<template>
  <form class="number" @submit.prevent="give">
    <input
      ref="field"
      v-model="typed"
      class="metered"
      data-field="value"
      inputmode="decimal"
      autocomplete="off"
      :aria-label="label"
      placeholder="reading"
      @keydown.escape="field?.blur()"
    />
    <span class="unit">{{ unit }}</span>
    <v-btn
      type="submit"
      variant="outlined"
      data-do="take"
      :disabled="disabled || typed.trim() === ''"
      >{{ action }}</v-btn
    >
    <p v-if="isWrong" class="error" role="alert">
      "{{ typed }}" is not a number. Enter {{ example }}.
    </p>
  </form>
</template>

<style scoped>
.number {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}

.unit {
  min-width: 18px;
}

.error {
  flex-basis: 100%;
}
</style>
