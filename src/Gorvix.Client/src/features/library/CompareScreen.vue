<script setup lang="ts">
import { useTitle } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { api, ask, type Comparison, type Problem } from '@/api/client'
import BuildCompare from './BuildCompare.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import WideTable from '@/ui/WideTable.vue'

/** Two or three parts side by side: first what differs, and all of it when it is asked for. */
const props = defineProps<{ board: string[]; device: string[] }>()
const comparison = shallowRef<Comparison | null>(null)
const problem = ref<Problem | null>(null)
const everything = ref(false)

async function load() {
  const asked = [...props.board, ...props.device].join(' ')
  const query = { board: props.board, device: props.device }
  const answer = await ask(() => api.GET('/api/library/compare', { params: { query } }))
  if (asked !== [...props.board, ...props.device].join(' ')) return
  comparison.value = answer.data
  problem.value = answer.problem
}
watch(() => [props.board.join(' '), props.device.join(' ')], load, { immediate: true })

const tables = computed(() => {
  const rows = comparison.value?.rows.filter((r) => everything.value || r.differs) ?? []
  return [...new Set(rows.map((r) => r.table))].map((title) => ({
    title,
    rows: rows.filter((r) => r.table === title),
  }))
})
const alike = computed(() => comparison.value?.rows.filter((r) => !r.differs).length ?? 0)
useTitle('Compare – Library – Gorvix')
</script>

<template>
  <main class="compare">
    <p class="back"><RouterLink :to="{ name: 'library' }">Parts library</RouterLink></p>
    <h1>Compare parts</h1>
    <ProblemNote v-if="problem" title="Could not compare parts" :problem="problem">
      <v-btn :to="{ name: 'library' }">Back to library</v-btn>
    </ProblemNote>
    <template v-if="comparison">
      <div class="choice">
        <v-btn-toggle v-model="everything" mandatory aria-label="Rows shown">
          <v-btn :value="false" data-show="differs">differences</v-btn>
          <v-btn :value="true" data-show="all">all</v-btn>
        </v-btn-toggle>
        <span class="quiet" data-testid="alike"
          >{{ alike }} of {{ comparison.rows.length }} rows are identical.</span
        >
      </div>
      <p v-if="tables.length === 0" class="quiet">No differences.</p>
      <div v-else class="scroll">
        <WideTable>
          <thead>
            <tr>
              <th scope="col" class="about">
                <span class="visually-hidden">Property</span>
              </th>
              <th v-for="part in comparison.parts" :key="part.id" scope="col" class="part">
                <RouterLink
                  :to="{
                    name: 'part',
                    params: { type: part.isBoard ? 'boards' : 'devices', id: part.id },
                  }"
                  >{{ part.name }}</RouterLink
                >
              </th>
            </tr>
          </thead>
          <tbody v-for="table in tables" :key="table.title">
            <tr>
              <th scope="colgroup" :colspan="comparison.parts.length + 1" class="title">
                {{ table.title }}
              </th>
            </tr>
            <tr v-for="row in table.rows" :key="row.name" :data-row="`${row.table} ${row.name}`">
              <th scope="row" :class="{ label: table.title !== 'Facts' }">{{ row.name }}</th>
              <td
                v-for="(words, i) in row.words"
                :key="i"
                :class="{ quiet: words === '–' || words === 'unknown', differs: row.differs }"
              >
                {{ words }}
              </td>
            </tr>
          </tbody>
        </WideTable>
      </div>
      <BuildCompare v-if="board.length > 0" :boards="comparison.parts" />
    </template>
  </main>
</template>

<style scoped>
.compare {
  padding: 12px 24px 32px;
}

.back {
  font-size: 0.9375rem;
}

.choice {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin: 12px 0;
}

.scroll {
  overflow-x: auto;
  border: 1px solid var(--line);
  background: var(--sheet);
}

.scroll :deep(table) {
  background: var(--sheet);
  table-layout: fixed;
  min-width: 640px;
}

th {
  font-weight: 400 !important;
}

.about {
  width: 200px;
}

.part {
  font-size: 1.0625rem;
  font-weight: 650 !important;
}

.title {
  color: var(--ink-2);
  background: var(--ground);
}

th.label {
  color: var(--ink);
}

td,
th {
  padding: 6px 16px !important;
  vertical-align: top;
  line-height: 1.35;
  white-space: normal;
}

td {
  border-left: 1px solid var(--line-faint);
}
</style>
