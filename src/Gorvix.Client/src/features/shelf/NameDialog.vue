<script setup lang="ts">
import { nextTick, ref, useTemplateRef, watch } from 'vue'
import type { PartsChange, Problem, ShelfBuild } from '@/api/client'
import { limits } from '@/api/limits'
import LineField from '@/ui/LineField.vue'
import ProblemNote from '@/ui/ProblemNote.vue'

/** Name and note of a build on the shelf. */
const props = defineProps<{
  build: ShelfBuild | null
  change: (build: ShelfBuild, changes: PartsChange[]) => Promise<Problem | null>
}>()
const emit = defineEmits<{ close: [] }>()
const name = ref('')
const note = ref('')
const box = useTemplateRef<HTMLElement>('box')
const problem = ref<Problem | null>(null)
watch(
  () => props.build,
  async (now) => {
    name.value = now?.name ?? ''
    note.value = now?.note ?? ''
    problem.value = null
    await nextTick()
    box.value?.querySelector('input')?.focus()
  },
)

async function save() {
  const build = props.build
  if (!build || name.value.trim() === '') return
  const changes: PartsChange[] = []
  if (name.value.trim() !== build.name) changes.push({ kind: 'nameBuild', text: name.value })
  if (note.value.trim() !== (build.note ?? '')) changes.push({ kind: 'setNote', text: note.value })
  problem.value = await props.change(build, changes)
  if (!problem.value) emit('close')
}
</script>

<template>
  <v-dialog :model-value="build !== null" @update:model-value="!$event && emit('close')">
    <form ref="box" class="box" @submit.prevent="save">
      <h2>Name and note</h2>
      <ProblemNote v-if="problem" title="Not saved" :problem="problem" />
      <LineField v-slot="{ id }" label="Name">
        <v-text-field
          :id="id"
          v-model="name"
          data-field="name"
          dir="auto"
          :maxlength="limits.name"
          :error-messages="name.trim() === '' ? 'Enter a build name.' : ''"
        />
      </LineField>
      <LineField v-slot="{ id }" label="Note">
        <v-text-field
          :id="id"
          v-model="note"
          data-field="note"
          dir="auto"
          :maxlength="limits.note"
        />
      </LineField>
      <span class="actions">
        <v-btn id="save-name" type="submit" color="primary" variant="flat">Save changes</v-btn>
        <v-btn @click="emit('close')">Cancel</v-btn>
      </span>
    </form>
  </v-dialog>
</template>

<style scoped>
.box {
  display: grid;
  gap: 12px;
  padding: 20px 24px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: var(--ink);
}

.actions {
  display: flex;
  gap: 8px;
}
</style>
