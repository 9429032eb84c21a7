<script setup lang="ts">
import { useFileDialog } from '@vueuse/core'
import { ref } from 'vue'
import type { Problem } from '@/api/client'
import ProblemNote from '@/ui/ProblemNote.vue'

/** Pads out of a list for a spreadsheet, in place of those that the board has. */
const props = defineProps<{ list: (pads: string) => Promise<Problem | null> }>()
const problem = ref<Problem | null>(null)
const picker = useFileDialog({ accept: '.csv,text/csv', multiple: false, reset: true })
picker.onChange(async (chosen) => {
  const file = chosen?.[0]
  if (file) problem.value = await props.list(await file.text())
})
</script>

<template>
  <v-btn size="small" variant="text" data-do="pad-list" @click="picker.open()"
    >Or read a list of pads (CSV)</v-btn
  >
  <ProblemNote
    v-if="problem"
    title="The list was not read; the pads are as they were"
    :problem="problem"
  />
</template>
