<script setup lang="ts">
import { ref, useTemplateRef, watch } from 'vue'
import { useClipboard, watchDebounced } from '@vueuse/core'
import type { BoardAnswer, FieldNote } from '@/api/client'
import LineField from '@/ui/LineField.vue'
import StepNotes from './StepNotes.vue'

/** The whole leaflet as text: shown, copied, changed, read back while it is typed. */
const props = defineProps<{
  text: string
  problems: BoardAnswer['problems']
  notes: FieldNote[]
}>()
const emit = defineEmits<{ write: [text: string] }>()
const own = ref(props.text)
const area = useTemplateRef<{ $el: HTMLElement }>('area')
const { copy, copied } = useClipboard({ legacy: true })

watch(
  () => props.text,
  (now) => (own.value = now),
)
watchDebounced(own, (now) => now !== props.text && emit('write', now), { debounce: 250 })

/** Puts the cursor where a line cannot be read. */
function show(line: number, column: number) {
  const field = area.value?.$el.querySelector('textarea')
  if (!field) return
  const before = own.value.split('\n').slice(0, line - 1)
  const at = before.reduce((sum, l) => sum + l.length + 1, 0) + column - 1
  field.focus()
  field.setSelectionRange(at, at)
}
</script>

<template>
  <section class="pane">
    <LineField v-slot="{ id }" label="Board text (# = comment)">
      <v-textarea
        :id="id"
        ref="area"
        v-model="own"
        class="label"
        data-field="leaflet"
        rows="18"
        auto-grow
        max-rows="32"
        spellcheck="false"
        autocapitalize="off"
      />
    </LineField>
    <ul v-if="problems.length > 0" class="problems" role="status">
      <li v-for="p in problems" :key="`${p.line} ${p.column} ${p.sentence}`">
        <button type="button" @click="show(p.line, p.column)">{{ p.sentence }}</button>
      </li>
    </ul>
    <StepNotes :notes="notes" />
    <v-btn size="small" data-do="copy" @click="copy(own)">{{
      copied ? 'Copied' : 'Copy text'
    }}</v-btn>
  </section>
</template>

<style scoped>
.pane {
  padding: 12px 16px 16px;
  border: 1px solid var(--line);
  background: var(--sheet);
}

.pane :deep(textarea) {
  font-size: 0.875rem;
  line-height: 1.5;
}

.problems {
  margin: 8px 0;
}

.problems button {
  padding: 4px 0 4px 10px;
  border: 0;
  border-left: 3px solid var(--stop);
  background: none;
  color: var(--stop);
  font: inherit;
  font-size: 0.9375rem;
  text-align: left;
  cursor: pointer;
}

.pane > .v-btn {
  margin-top: 8px;
}
</style>
