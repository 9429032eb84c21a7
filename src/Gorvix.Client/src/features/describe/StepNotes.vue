<script setup lang="ts">
import type { DeviceNote, FieldNote } from '@/api/client'

/** What there is to say at one step: stops and doubts in full, what is merely unknown in one line that opens. */
const props = defineProps<{ notes: (FieldNote | DeviceNote)[] }>()
</script>

<template>
  <div v-if="props.notes.some((n) => n.severity !== 'note')" role="status">
    <ul class="notes">
      <li
        v-for="note in props.notes.filter((n) => n.severity !== 'note')"
        :key="note.field + note.sentence"
        :class="note.severity"
        :data-note="note.field"
      >
        <span class="mark label">{{ note.severity === 'stop' ? 'problem' : 'measure' }}</span>
        {{ note.sentence }}
      </li>
    </ul>
  </div>
  <details v-if="props.notes.some((n) => n.severity === 'note')" class="unknown">
    <summary>Unknown: {{ props.notes.filter((n) => n.severity === 'note').length }}</summary>
    <ul>
      <li v-for="note in props.notes.filter((n) => n.severity === 'note')" :key="note.field">
        {{ note.sentence }}
      </li>
    </ul>
  </details>
</template>

<style scoped>
.notes {
  margin-top: 8px;
  font-size: 0.9375rem;
}

.notes li {
  padding: 4px 0 4px 10px;
  border-left: 3px solid var(--warn);
}

.notes li.stop {
  border-left-color: var(--stop);
}

.notes li + li {
  margin-top: 4px;
}

.mark {
  margin-right: 4px;
  color: var(--warn);
  font-weight: 600;
}

.stop .mark {
  color: var(--stop);
}

.unknown {
  margin-top: 8px;
  color: var(--ink-2);
  font-size: 0.9375rem;
}

.unknown summary {
  display: inline-block;
  min-height: 24px;
  cursor: pointer;
}
</style>
