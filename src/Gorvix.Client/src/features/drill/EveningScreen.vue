<script setup lang="ts">
import { useIntervalFn, useTitle } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type EveningView, type Problem } from '@/api/client'
import KeysDialog from '@/features/build/KeysDialog.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import { useScreenKeys } from '@/ui/useScreenKeys'
import LevelMarks from './LevelMarks.vue'
import WhoField from './WhoField.vue'
import { nameOf } from './useDrill'
import { minutesOf } from '@/ui/minutes'
import { isGuest } from './guest'

/** An evening: its drills for who sits here, and the board on which everybody's scores stand. */
const props = defineProps<{ id: string }>()

// The board follows what others do without being asked.
const EVERY = 4000
const router = useRouter()
const view = shallowRef<EveningView | null>(null)
const problem = ref<Problem | null>(null)
const keysOpen = ref(false)
const nextOne = computed(() => view.value?.drills.find((d) => d.score == null))

async function load() {
  const { data, problem: refused } = await ask(() =>
    api.GET('/api/evenings/{id}', { params: { path: { id: props.id } } }),
  )
  view.value = data ?? view.value
  problem.value = refused
}
async function play(number: number) {
  const own = view.value?.drills.find((d) => d.number === number)?.own
  if (own) {
    await router.push({ name: 'drill-play', params: { id: own } })
    return
  }
  const { data, problem: refused } = await ask(() =>
    api.POST('/api/evenings/{id}/drills/{number}', { params: { path: { id: props.id, number } } }),
  )
  problem.value = refused
  if (data) await router.push({ name: 'drill-play', params: { id: data.id } })
}
async function close() {
  const { data, problem: refused } = await ask(() =>
    api.POST('/api/evenings/{id}/close', { params: { path: { id: props.id } } }),
  )
  view.value = data ?? view.value
  problem.value = refused
}
async function remove() {
  problem.value = (
    await ask(() => api.DELETE('/api/evenings/{id}', { params: { path: { id: props.id } } }))
  ).problem
  if (!problem.value) await router.push({ name: 'drill' })
}
useScreenKeys(
  {
    ...Object.fromEntries(
      Array.from({ length: 9 }, (_, i) => [
        `${i + 1}`,
        () => (view.value?.drills.length ?? 0) > i && void play(i + 1),
      ]),
    ),
    n: () => nextOne.value && void play(nextOne.value.number),
    '?': () => (keysOpen.value = true),
  },
  keysOpen,
)
useIntervalFn(() => void (document.visibilityState === 'visible' && load()), EVERY)
useTitle(computed(() => `${view.value?.line.name ?? 'Session'} – Practice – Gorvix`))
watch(() => props.id, load, { immediate: true })
</script>

<template>
  <main class="evening">
    <p v-if="!view && !problem" class="quiet" role="status">Loading…</p>
    <ProblemNote v-if="problem" title="That did not work" :problem="problem">
      <v-btn @click="load">Reload session</v-btn>
    </ProblemNote>
    <template v-if="view">
      <div class="head">
        <div>
          <h1>{{ view.line.name }}</h1>
          <p class="quiet">
            {{ view.line.build }}, {{ view.line.drills }} drills{{
              view.line.isClosed ? ', closed' : ''
            }}
          </p>
        </div>
        <div class="who no-print"><WhoField @changed="load" /></div>
        <p class="deeds no-print">
          <a v-if="!isGuest" :href="`/api/evenings/${id}/file`" download>Export session</a>
          <v-btn v-if="!view.line.isClosed" variant="text" data-do="close" @click="close"
            >Close session</v-btn
          >
          <v-btn v-else variant="text" data-do="remove" @click="remove">Delete session</v-btn>
          <v-btn variant="text" :to="{ name: 'drill' }">Back to Practice</v-btn>
          <v-btn variant="text" @click="keysOpen = true">Shortcuts</v-btn>
        </p>
      </div>
      <div class="columns">
        <section aria-label="Drills">
          <h2>{{ view.player ? `Drills for ${view.player}` : 'Drills' }}</h2>
          <ol>
            <li v-for="d in view.drills" :key="d.number" :data-number="d.number">
              <span class="n">{{ d.number }}</span>
              <span class="kind">{{ nameOf(d.kind) }}</span>
              <LevelMarks :level="d.level" />
              <b class="score">{{ d.score ?? '' }}</b>
              <v-btn
                size="small"
                :variant="d === nextOne ? 'flat' : 'outlined'"
                :color="d === nextOne ? 'primary' : undefined"
                :disabled="view.line.isClosed && !d.own"
                @click="play(d.number)"
                >{{ d.score != null ? 'View result' : d.own ? 'Resume' : 'Start'
                }}<v-kbd v-if="d.number < 10" aria-hidden="true">{{ d.number }}</v-kbd></v-btn
              >
            </li>
          </ol>
        </section>
        <section aria-label="Scores">
          <h2>Scores</h2>
          <p v-if="view.players.length === 0" class="quiet" role="status">No scores yet.</p>
          <table v-else data-testid="scores">
            <thead>
              <tr>
                <th scope="col" class="num">Rank</th>
                <th scope="col">Name</th>
                <th v-for="d in view.drills" :key="d.number" scope="col" class="num">
                  {{ d.number }}
                </th>
                <th scope="col" class="num">Total</th>
                <th scope="col" class="num">Bench time</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="p in view.players" :key="p.name" :class="{ own: p.name === view.player }">
                <td class="num">{{ p.rank }}</td>
                <th scope="row">{{ p.name }}</th>
                <td v-for="(s, i) in p.scores" :key="i" class="num">{{ s ?? '·' }}</td>
                <td class="num">
                  <b>{{ p.total }}</b>
                </td>
                <td class="num">{{ p.minutes > 0 ? minutesOf(p.minutes) : '' }}</td>
              </tr>
            </tbody>
          </table>
        </section>
      </div>
    </template>
    <KeysDialog
      v-model="keysOpen"
      :keys="[
        ['N', 'next drill'],
        ['1 … 9', 'open drill'],
        ['?', 'show shortcuts'],
      ]"
    />
  </main>
</template>

<style scoped>
.evening {
  padding: 16px 24px 32px;
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  align-items: end;
  margin-bottom: 16px;
}

h1 {
  font-size: 1.625rem;
  font-weight: 650;
  overflow-wrap: anywhere;
}

h2 {
  margin-bottom: 4px;
  font-size: 1.1875rem;
  font-weight: 650;
}

.who {
  flex: 0 1 260px;
}

.deeds {
  display: flex;
  flex: 1;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  justify-content: flex-end;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 7fr);
  gap: 32px;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

ol li {
  display: flex;
  gap: 14px;
  align-items: center;
  min-height: 48px;
  border-top: 1px solid var(--line-faint);
}

.n {
  width: 20px;
  color: var(--ink-2);
  text-align: right;
}

.kind {
  flex: 1;
}

.columns ol .v-btn {
  min-width: 104px;
}

.score {
  min-width: 30px;
  text-align: right;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  padding: 8px;
  border-bottom: 1px solid var(--line-faint);
  font-weight: 400;
  text-align: left;
  overflow-wrap: anywhere;
}

thead th {
  border-color: var(--line);
  color: var(--ink-2);
  font-size: 0.875rem;
}

.num {
  text-align: right;
}

.own {
  background: var(--sheet);
}

.own th {
  font-weight: 650;
}

@media (max-width: 900px) {
  .deeds {
    flex-basis: 100%;
    justify-content: flex-start;
  }

  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
