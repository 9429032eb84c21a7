<script setup lang="ts">
import { limits } from '@/api/limits'
import { ref, watch } from 'vue'
import LineField from '@/ui/LineField.vue'

/** A text, given when the field is left. */
const props = defineProps<{
  label: string
  field: string
  value: string | null | undefined
  placeholder?: string
}>()
const emit = defineEmits<{ change: [value: string] }>()
const text = ref('')
watch(
  () => props.value,
  (now) => (text.value = now ?? ''),
  { immediate: true },
)
function take() {
  if (text.value.trim() !== (props.value ?? '')) emit('change', text.value.trim())
}
</script>

<template>
  <LineField v-slot="{ id }" :label="label">
    <v-text-field
      :id="id"
      v-model="text"
      :data-field="field"
      :placeholder="placeholder"
      persistent-placeholder
      :maxlength="limits.name"
      @change="take"
    />
  </LineField>
</template>
