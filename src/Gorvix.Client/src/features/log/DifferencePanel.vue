<script setup lang="ts">
import { computed } from 'vue'
import type { MomentsView, Otherwise } from '@/api/client'
import { dayOf } from '@/ui/dayOf'
import DiffLines from './DiffLines.vue'

/** Two moments of a build in one view: plan, wires, parts, settings, readings, and what had to be proved again. */
const props = defineProps<{ moments: MomentsView }>()
defineEmits<{ close: [] }>()

const groups = computed(() => {
  const d = props.moments.difference
  const list: { words: string; lines: Otherwise[] }[] = [
    { words: 'Parts', lines: d.parts },
    { words: 'Links', lines: d.links },
    { words: 'Wires and jumpers', lines: d.wires },
    { words: 'Readings', lines: d.readings },
  ]
  return list.filter((g) => g.lines.length > 0)
})
const settings = computed(() => props.moments.difference.settings.filter((l) => l.fate !== 'same'))
</script>

<template>
  <section class="difference" aria-label="Differences" data-testid="difference">
    <header>
      <h2>
        Version {{ moments.from.version }} ({{ dayOf(moments.from.at) }}) →
        {{ moments.to.version }} ({{ dayOf(moments.to.at) }})
      </h2>
      <v-btn variant="text" size="small" data-do="close-difference" @click="$emit('close')"
        >Close</v-btn
      >
    </header>
    <p v-if="moments.difference.isSame" role="status">No differences.</p>
    <table v-for="g in groups" :key="g.words">
      <caption>
        {{
          g.words
        }}
      </caption>
      <thead class="visually-hidden">
        <tr>
          <th>Item</th>
          <th>Before</th>
          <th>After</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="l in g.lines" :key="l.what">
          <th scope="row">{{ l.what }}</th>
          <td>
            <del v-if="l.was">{{ l.was }}</del><span v-else class="quiet">not present</span>
          </td>
          <td>
            <ins v-if="l.is">{{ l.is }}</ins><span v-else class="quiet">removed</span>
          </td>
        </tr>
      </tbody>
    </table>
    <template v-if="settings.length > 0">
      <h3>Settings</h3>
      <DiffLines :lines="settings" />
    </template>
    <details v-if="moments.difference.due.length > 0">
      <summary>Needs re-check: {{ moments.difference.due.length }}</summary>
      <p>{{ moments.difference.due.join('; ') }}</p>
    </details>
  </section>
</template>

<style scoped>
.difference {
  margin: 8px 0 16px;
  padding: 10px 14px;
  border: 1px solid var(--ink);
  background: var(--sheet);
}

header {
  display: flex;
  gap: 12px;
  align-items: baseline;
  justify-content: space-between;
}

h2 {
  font-size: 1.1875rem;
  font-weight: 650;
}

h3,
caption {
  margin-top: 8px;
  font-weight: 650;
  text-align: left;
}

table {
  width: 100%;
  margin-top: 6px;
  border-collapse: collapse;
}

th,
td {
  width: 33%;
  padding: 3px 8px 3px 0;
  border-top: 1px solid var(--line-faint);
  font-weight: 400;
  text-align: left;
  vertical-align: top;
  overflow-wrap: anywhere;
}

del {
  color: var(--ink-2);
}

ins {
  font-weight: 600;
  text-decoration: none;
}

summary {
  margin-top: 8px;
  cursor: pointer;
}
</style>
