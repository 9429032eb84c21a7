<script setup lang="ts">
import { refDebounced, useTitle } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ask, type ClubCraft, type FoundLine, type Problem } from '@/api/client'
import { limits } from '@/api/limits'
import { dayOf } from '@/ui/dayOf'
import LineField from '@/ui/LineField.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import { useScreenKeys } from '@/ui/useScreenKeys'
import WideTable from '@/ui/WideTable.vue'

/** All craft of the club: what is open, doubtful or due on each, what flies where, and a search over everything. */
const route = useRoute()
const router = useRouter()
const craft = shallowRef<ClubCraft[] | null>(null)
const problem = ref<Problem | null>(null)
const found = shallowRef<FoundLine[] | null>(null)
const search = ref(typeof route.query.q === 'string' ? route.query.q : '')
const asked = refDebounced(search, 200)
const field = ref<HTMLElement>()

const parts = computed(() => {
  const list = new Map<
    string,
    {
      kind: string
      name: string
      batch: string
      part: string
      craft: { id: string; name: string }[]
    }
  >()
  for (const c of craft.value ?? [])
    for (const p of c.parts) {
      const key = `${p.kind} ${p.part} ${p.batch ?? ''}`
      const there = list.get(key) ?? {
        kind: p.kind,
        name: p.name.replace(/ ".*"$/, ''),
        batch: p.batch ?? '',
        part: p.part,
        craft: [],
      }
      if (!there.craft.some((x) => x.id === c.id)) there.craft.push({ id: c.id, name: c.name })
      list.set(key, there)
    }
  return [...list.values()].sort(
    (a, b) =>
      a.kind.localeCompare(b.kind) ||
      a.name.localeCompare(b.name) ||
      a.batch.localeCompare(b.batch),
  )
})
const to = (line: FoundLine) =>
  line.kind === 'part' || line.kind === 'link'
    ? { name: 'parts', params: { id: line.build } }
    : { name: 'log', params: { id: line.build }, query: { kind: line.kind } }

async function load() {
  const answer = await ask(() => api.GET('/api/club'))
  craft.value = answer.data ?? craft.value
  problem.value = answer.problem
}
watch(
  asked,
  async (q) => {
    void router.replace({ query: q.trim() ? { q } : {} })
    if (q.trim() === '') {
      found.value = null
      return
    }
    const { data, problem: refused } = await ask(() =>
      api.GET('/api/search', { params: { query: { q } } }),
    )
    if (q !== asked.value) return
    found.value = data ?? []
    problem.value = refused
  },
  { immediate: true },
)
useScreenKeys({ '/': () => field.value?.querySelector('input')?.focus() })
useTitle('Fleet – Gorvix')
onMounted(load)
</script>

<template>
  <main class="club">
    <h1>Fleet</h1>
    <div ref="field" class="search">
      <LineField v-slot="{ id }" label="Search">
        <v-text-field
          :id="id"
          v-model="search"
          data-field="search"
          :maxlength="limits.search"
          placeholder="part, batch, note, name or dump"
        />
      </LineField>
    </div>
    <ProblemNote v-if="problem" title="Could not load fleet" :problem="problem">
      <v-btn @click="load">Try again</v-btn>
    </ProblemNote>
    <section v-if="found" data-testid="found" aria-label="Results">
      <p v-if="found.length === 0" role="status">No matches. Try fewer words.</p>
      <ul>
        <li v-for="(f, i) in found" :key="i" class="found">
          <RouterLink :to="to(f)">{{ f.name }}</RouterLink>
          <span class="quiet">{{ f.kind }}{{ f.at ? `, ${dayOf(f.at)}` : '' }}</span>
          <span class="words">{{ f.words }}</span>
        </li>
      </ul>
    </section>
    <template v-else>
      <v-skeleton-loader v-if="!craft && !problem" type="table-tbody" />
      <p v-else-if="craft?.length === 0" role="status">No builds yet.</p>
      <WideTable v-else-if="craft" class="craft">
        <thead>
          <tr>
            <th>Build</th>
            <th class="n">Passed</th>
            <th>Failed</th>
            <th>Check again</th>
            <th class="n">Re-check</th>
            <th>Maintenance due</th>
            <th class="n">Flights</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in craft" :key="c.id" :data-craft="c.id">
            <th scope="row">
              <RouterLink :to="{ name: 'bench', params: { id: c.id } }">{{ c.name }}</RouterLink>
            </th>
            <td v-if="c.problem" colspan="6">{{ c.problem }}</td>
            <template v-else>
              <td class="n">{{ c.proved }} of {{ c.checks }}</td>
              <td class="stop">{{ c.stopped.join('; ') }}</td>
              <td>{{ c.doubtful.join('; ') }}</td>
              <td class="n">{{ c.dueAgain.length || '' }}</td>
              <td>
                <RouterLink v-if="c.dues.length > 0" :to="{ name: 'log', params: { id: c.id } }">{{
                  c.dues.join('; ')
                }}</RouterLink>
              </td>
              <td class="n">{{ c.flights || '' }}</td>
            </template>
          </tr>
        </tbody>
      </WideTable>
      <template v-if="parts.length > 0">
        <h2>Parts in use</h2>
        <WideTable class="flies">
          <thead>
            <tr>
              <th>Type</th>
              <th>Part</th>
              <th>Batch</th>
              <th>Build</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="p in parts" :key="`${p.kind} ${p.part} ${p.batch}`">
              <td>{{ p.kind }}</td>
              <td>{{ p.name }}</td>
              <td class="label">{{ p.batch }}</td>
              <td>
                <template v-for="(c, i) in p.craft" :key="c.id"
                  >{{ i > 0 ? ', ' : ''
                  }}<RouterLink :to="{ name: 'parts', params: { id: c.id } }">{{
                    c.name
                  }}</RouterLink></template
                >
              </td>
            </tr>
          </tbody>
        </WideTable>
      </template>
    </template>
  </main>
</template>

<style scoped>
.club {
  padding: 16px 24px 32px;
}

h1 {
  font-size: 1.625rem;
  font-weight: 650;
}

h2 {
  margin: 24px 0 4px;
  font-size: 1.25rem;
  font-weight: 650;
}

.search {
  max-width: 560px;
  margin: 10px 0 16px;
}

.n {
  font-variant-numeric: tabular-nums;
  text-align: right !important;
  white-space: nowrap;
}

.stop {
  color: var(--stop);
}

.found {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line-faint);
}

.found a {
  flex: 0 0 200px;
}

.found .quiet {
  flex: 0 0 150px;
}

.words {
  flex: 1 1 300px;
  overflow-wrap: anywhere;
}
</style>
