<script setup lang="ts">
import { computed } from 'vue'
import LineField from '@/ui/LineField.vue'

/** Pads put down by clicking: one label and a click, or a row of labels with a click on its first and its last pad. */
const props = defineProps<{
  /** How many clicks of the row are still to come; null while nothing is put down. */
  left: number | null
}>()
const emit = defineEmits<{ begin: [labels: string[]]; cancel: [] }>()
const text = defineModel<string>({ required: true })
const labels = computed(() => text.value.trim().split(/\s+/).filter(Boolean))
const doing = computed(() => (labels.value.length > 1 ? 'Place row' : 'Place pad'))
function begin() {
  if (labels.value.length > 0) emit('begin', labels.value)
}
const said = computed(() =>
  props.left === null
    ? 'One label: one click. Several: click the first and the last pad.'
    : labels.value.length > 1
      ? `Click ${props.left === 2 ? `${labels.value[0]}, the first pad` : `${labels.value.at(-1)}, the last pad`}, on the board. Esc cancels.`
      : `Click ${labels.value[0]} on the board. Esc cancels.`,
)
</script>

<template>
  <form class="putter" @submit.prevent="begin">
    <LineField v-slot="{ id }" label="Labels to place">
      <v-text-field
        :id="id"
        v-model="text"
        class="mono"
        data-field="put-labels"
        placeholder="R1 T1 5V G"
        :disabled="left !== null"
      />
    </LineField>
    <v-btn v-if="left === null" type="submit" data-do="put" :disabled="labels.length === 0">{{
      doing
    }}</v-btn>
    <v-btn v-else @click="emit('cancel')">Cancel</v-btn>
    <p class="quiet" role="status">{{ said }}</p>
  </form>
</template>

<style scoped>
.putter {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 8px;
  align-items: end;
  margin-top: 8px;
}

p {
  grid-column: 1 / 3;
  font-size: 0.9375rem;
}
</style>
