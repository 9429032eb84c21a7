<script setup lang="ts">
import { ref, useTemplateRef } from 'vue'
import type { Problem } from '@/api/client'
import ProblemNote from '@/ui/ProblemNote.vue'

/** Pads out of a list for a spreadsheet, in place of those that the board has. */
const props = defineProps<{ list: (pads: string) => Promise<Problem | null> }>()
const problem = ref<Problem | null>(null)
const input = useTemplateRef<HTMLInputElement>('input')

async function read() {
  const file = input.value?.files?.[0]
  if (!file) return
  problem.value = await props.list(await file.text())
  // The same file can be chosen again once it is mended.
  if (input.value) input.value.value = ''
}
</script>

<template>
  <input
    ref="input"
    class="file"
    type="file"
    accept=".csv,text/csv"
    tabindex="-1"
    aria-hidden="true"
    @change="read"
  />
  <v-btn size="small" variant="text" data-do="pad-list" @click="input?.click()"
    >Import pads (CSV)</v-btn
  >
  <ProblemNote v-if="problem" title="Pads not imported; nothing changed" :problem="problem" />
</template>

<style scoped>
.file {
  display: none;
}
</style>
