<script setup lang="ts">
import LineField from './LineField.vue'

/** A number that is typed; empty means what the placeholder says. It is given when the field is left. */
defineProps<{
  label: string
  field: string
  placeholder: string
  error: string
  /** "numeric" for whole numbers, "decimal" for others: which keys a tablet shows. */
  keys: 'numeric' | 'decimal'
  /** True where a heading says already what the number is. */
  quiet?: boolean
}>()
defineEmits<{ change: [] }>()
const text = defineModel<string>({ required: true })

/** What is typed replaces what stands there; nothing is ever appended to a number by mistake. */
const all = (event: FocusEvent) => {
  const input = event.target as HTMLInputElement
  requestAnimationFrame(() => document.activeElement === input && input.select())
}
</script>

<template>
  <LineField v-slot="{ id }" :label="label" :quiet="quiet">
    <v-text-field
      :id="id"
      v-model="text"
      :data-field="field"
      :inputmode="keys"
      :placeholder="placeholder"
      persistent-placeholder
      :error-messages="error"
      @focus="all"
      @change="$emit('change')"
    />
  </LineField>
</template>
