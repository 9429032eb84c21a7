<script setup lang="ts">
import { onMounted, ref, shallowRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import {
  api,
  ask,
  type BoardTried,
  type Comparison,
  type Problem,
  type ShelfBuild,
} from '@/api/client'
import LineField from '@/ui/LineField.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import VerdictMark from '@/ui/VerdictMark.vue'

/** The compared boards in one build of the shelf: what each comes to there, and what would move. */
const props = defineProps<{ boards: Comparison['parts'] }>()
const route = useRoute()
const router = useRouter()
const builds = shallowRef<ShelfBuild[]>([])
const tried = shallowRef<BoardTried[]>([])
const problem = ref<Problem | null>(null)
const busy = ref(false)
const asked = ref<string | null>(typeof route.query.in === 'string' ? route.query.in : null)

async function load() {
  const answer = await ask(() => api.GET('/api/builds'))
  builds.value = answer.data?.filter((b) => !b.isArchived && b.version > 0) ?? []
  problem.value = answer.problem
  if (asked.value) await compare(asked.value)
}
async function compare(build: string | null) {
  asked.value = build
  await router.replace({ query: { ...route.query, in: build ?? undefined } })
  tried.value = []
  if (!build) return
  busy.value = true
  const answer = await ask(() =>
    api.GET('/api/library/compare/in/{build}', {
      params: { path: { build }, query: { board: props.boards.map((b) => b.id) } },
    }),
  )
  if (asked.value !== build) return
  busy.value = false
  tried.value = answer.data ?? []
  problem.value = answer.problem
}
const nameOf = (id: string) => props.boards.find((b) => b.id === id)?.name ?? id
onMounted(load)
</script>

<template>
  <section class="in-build">
    <h2>Try in a build</h2>
    <LineField v-slot="{ id }" class="which" label="Build">
      <v-autocomplete
        :id="id"
        data-field="in-build"
        placeholder="choose a build…"
        :items="builds"
        item-title="name"
        item-value="id"
        :model-value="asked"
        clearable
        auto-select-first
        @update:model-value="compare($event)"
      />
    </LineField>
    <ProblemNote v-if="problem" title="Could not compare boards" :problem="problem" />
    <v-progress-linear v-if="busy" indeterminate aria-label="Planning" />
    <div class="tried" aria-live="polite">
      <article v-for="t in tried" :key="t.board" :data-tried="t.board">
        <h3>{{ nameOf(t.board) }}<span v-if="t.hasIt" class="quiet"> – current board</span></h3>
        <p v-if="t.refused" class="stop">Cannot be planned with this board. {{ t.refused }}</p>
        <template v-else-if="t.preview">
          <p><VerdictMark :severity="t.preview.after.severity" />{{ t.preview.after.sentence }}</p>
          <p v-for="stop in t.preview.stops" :key="stop" class="stop">{{ stop }}</p>
          <ul v-if="!t.hasIt">
            <li v-for="move in t.preview.moved" :key="move">{{ move }}</li>
            <li v-for="fall in t.preview.falls" :key="fall">{{ fall }}</li>
            <li v-if="t.preview.moved.length === 0">No link moves.</li>
          </ul>
          <p v-if="t.preview.work" class="quiet">Wiring work: {{ t.preview.work }}.</p>
        </template>
      </article>
    </div>
  </section>
</template>

<style scoped>
.in-build {
  margin-top: 24px;
}

.which {
  max-width: 420px;
  margin: 6px 0 12px;
}

.tried {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
  gap: 0;
  border: 1px solid var(--line);
  background: var(--sheet);
}

.tried:empty {
  border: 0;
}

article {
  padding: 10px 16px 14px;
}

article + article {
  border-left: 1px solid var(--line-faint);
}

h3 {
  font-weight: 650;
}

.verdict {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 4px 0;
}

li {
  padding: 3px 0;
}

.stop {
  color: var(--stop);
}
</style>
