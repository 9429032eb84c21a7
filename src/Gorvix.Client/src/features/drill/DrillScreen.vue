<script setup lang="ts">
import { limits } from '@/api/limits'
import { useFileDialog, useTitle } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import {
  api,
  ask,
  type DrillHall,
  type DrillKind,
  type EveningLine,
  type Problem,
  type ShelfBuild,
} from '@/api/client'
import KeysDialog from '@/features/build/KeysDialog.vue'
import { dayOf } from '@/ui/dayOf'
import LineField from '@/ui/LineField.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import { useScreenKeys } from '@/ui/useScreenKeys'
import EveningMaker from './EveningMaker.vue'
import LevelMarks from './LevelMarks.vue'
import WhoField from './WhoField.vue'
import { kinds, nameOf, scoreOf } from './useDrill'
import { isGuest } from './guest'

/** What there is to practise: four kinds of drills, what comes back today, what was played, and evenings with several players. */
const props = defineProps<{ build: string | null }>()

const router = useRouter()
const hall = shallowRef<DrillHall | null>(null)
const builds = shallowRef<ShelfBuild[] | null>(null)
const evenings = shallowRef<EveningLine[]>([])
const problem = ref<Problem | null>(null)
const busy = ref(false)
const keysOpen = ref(false)
const seed = ref('')
const sure = ref(false)

const chosen = computed(
  () => builds.value?.find((b) => b.id === props.build) ?? builds.value?.[0] ?? null,
)
const of = (kind: DrillKind) => hall.value?.kinds.find((k) => k.kind === kind)
const comesBack = (n: number) => (n === 1 ? '1 to repeat today' : `${n} to repeat today`)

async function load() {
  const [own, shelf, nights] = await Promise.all([
    ask(() => api.GET('/api/drills')),
    ask(() => api.GET('/api/builds')),
    ask(() => api.GET('/api/evenings')),
  ])
  hall.value = own.data ?? hall.value
  evenings.value = nights.data ?? evenings.value
  builds.value = shelf.data?.filter((b) => !b.isArchived) ?? (isGuest ? [] : builds.value)
  problem.value = own.problem ?? (isGuest ? null : shelf.problem)
}
async function begin(kind: DrillKind) {
  if (!chosen.value || busy.value) return
  const typed = seed.value.trim()
  if (typed !== '' && !(/^\d+$/.test(typed) && Number(typed) <= limits.drillCode)) {
    problem.value = {
      status: 422,
      sentence: `"${typed}" is not a drill code. Enter a whole number from 0 to ${limits.drillCode}.`,
      findings: [],
    }
    return
  }
  busy.value = true
  const { data, problem: refused } = await ask(() =>
    api.POST('/api/drills', {
      body: {
        kind,
        build: chosen.value?.id ?? '',
        level: null,
        seed: typed === '' ? null : Number(typed),
      },
    }),
  )
  busy.value = false
  problem.value = refused
  if (data) await router.push({ name: 'drill-play', params: { id: data.id } })
}
const picker = useFileDialog({ accept: '.json,application/json', multiple: false, reset: true })
picker.onChange(async (files) => {
  const file = files?.[0]
  if (!file) return
  const text = await file.text()
  const { data, problem: refused } = await ask(() =>
    api.POST('/api/drills/file', { body: { file: text } }),
  )
  problem.value = refused
  if (data?.drill) await router.push({ name: 'drill-play', params: { id: data.drill } })
  else if (data?.evening) await router.push({ name: 'evening', params: { id: data.evening } })
})
async function drop(id: string) {
  problem.value = (
    await ask(() => api.DELETE('/api/drills/{id}', { params: { path: { id } } }))
  ).problem
  await load()
}
async function forget() {
  sure.value = false
  problem.value = (await ask(() => api.DELETE('/api/drills'))).problem
  await load()
}

useScreenKeys(
  {
    ...Object.fromEntries(kinds.map((k, i) => [`${i + 1}`, () => void begin(k.kind)])),
    o: () => {
      const last = hall.value?.open[0]
      if (last) void router.push({ name: 'drill-play', params: { id: last.id } })
    },
    '?': () => (keysOpen.value = true),
  },
  keysOpen,
)
useTitle('Practice – Gorvix')
onMounted(load)
</script>

<template>
  <main class="drill">
    <div class="head">
      <div>
        <h1>Practice</h1>
        <p class="quiet">Levels rise as you improve; mistakes come back for review.</p>
      </div>
      <div class="fields no-print">
        <WhoField @changed="load" />
        <LineField v-if="!isGuest" v-slot="{ id }" label="Build">
          <v-select
            :id="id"
            :model-value="chosen?.id"
            data-field="build"
            :items="builds ?? []"
            item-title="name"
            item-value="id"
            @update:model-value="(b: string) => router.replace({ query: { build: b } })"
          />
        </LineField>
        <LineField v-if="!isGuest" v-slot="{ id }" label="Drill code" class="code">
          <v-text-field
            :id="id"
            v-model="seed"
            data-field="seed"
            maxlength="6"
            inputmode="numeric"
            placeholder="any"
          />
        </LineField>
      </div>
    </div>
    <ProblemNote v-if="problem" title="That did not work" :problem="problem">
      <v-btn @click="load">Try again</v-btn>
    </ProblemNote>
    <p v-if="isGuest" class="guest" role="status">
      You are on another computer. Enter your name and choose a session.
    </p>
    <p v-else-if="builds?.length === 0" role="status">
      No build to practise on.
      <RouterLink :to="{ name: 'new' }">Create a build</RouterLink>or import a drill file.
    </p>
    <ul v-else class="kinds">
      <li v-for="(k, i) in kinds" :key="k.kind" :data-kind="k.kind">
        <header>
          <h2>{{ k.name }}</h2>
          <LevelMarks :level="of(k.kind)?.level ?? 1" />
        </header>
        <p class="words">{{ k.words }}</p>
        <p class="quiet due">
          <template v-if="of(k.kind)?.due">
            <b>{{ comesBack(of(k.kind)?.due ?? 0) }}.</b>
          </template>
          <template v-if="of(k.kind)?.last">
            Last score: {{ scoreOf(of(k.kind)!.last!) }}.</template
          >
          <template v-else>Not tried yet.</template>
        </p>
        <v-btn
          :color="i === 0 ? 'primary' : undefined"
          :variant="i === 0 ? 'flat' : 'outlined'"
          :disabled="!chosen || busy"
          @click="begin(k.kind)"
          >Start drill<v-kbd aria-hidden="true">{{ i + 1 }}</v-kbd></v-btn
        >
      </li>
    </ul>
    <div v-if="!isGuest" class="bar no-print">
      <EveningMaker v-if="chosen" class="maker" :build="chosen" />
      <v-btn data-do="file" variant="outlined" @click="picker.open()">Import drill</v-btn>
    </div>
    <div class="below">
      <section v-if="hall && hall.open.length + hall.played.length > 0" aria-label="Finished">
        <template v-if="hall && hall.open.length > 0">
          <h2>In progress</h2>
          <ul class="rows">
            <li v-for="d in hall.open" :key="d.id">
              <RouterLink :to="{ name: 'drill-play', params: { id: d.id } }"
                >{{ nameOf(d.kind) }}, {{ d.name }}</RouterLink
              >
              <LevelMarks :level="d.level" />
              <span class="quiet">{{ dayOf(d.at) }}</span>
              <v-btn size="small" variant="text" @click="drop(d.id)">Delete drill</v-btn>
            </li>
          </ul>
        </template>
        <template v-if="hall && hall.played.length > 0">
          <h2>Finished</h2>
          <ul class="rows">
            <li v-for="d in hall.played.slice(0, 12)" :key="d.id">
              <RouterLink :to="{ name: 'drill-play', params: { id: d.id } }"
                >{{ nameOf(d.kind) }}, {{ d.name }}</RouterLink
              >
              <LevelMarks :level="d.level" />
              <span class="score">{{ d.score }}</span>
              <span class="quiet">{{ dayOf(d.at) }}</span>
            </li>
          </ul>
          <v-btn v-if="!sure" size="small" variant="text" data-do="forget" @click="sure = true"
            >Delete my results</v-btn
          >
          <p v-else class="files">
            <v-btn size="small" variant="outlined" data-do="forget-sure" @click="forget"
              >Delete all results</v-btn
            >
            <v-btn size="small" variant="text" @click="sure = false">Cancel</v-btn>
          </p>
        </template>
      </section>
      <section aria-label="Sessions">
        <h2>Sessions</h2>
        <p class="quiet">Everyone gets the same drills, with one scoreboard.</p>
        <ul class="rows">
          <li v-for="e in evenings" :key="e.id">
            <RouterLink :to="{ name: 'evening', params: { id: e.id } }">{{ e.name }}</RouterLink>
            <span class="quiet"
              >{{ e.build }}, {{ e.drills }} drills, {{ e.players }}
              {{ e.players === 1 ? 'player' : 'players' }}{{ e.isClosed ? ', closed' : '' }}</span
            >
          </li>
        </ul>
      </section>
    </div>
    <KeysDialog
      v-model="keysOpen"
      :keys="[
        ['1 … 4', 'start a drill'],
        ['O', 'resume last drill'],
        ['?', 'show shortcuts'],
      ]"
    />
  </main>
</template>

<style scoped>
.drill {
  padding: 16px 24px 32px;
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 24px;
  align-items: end;
  justify-content: space-between;
  margin-bottom: 16px;
}

h1 {
  font-size: 1.625rem;
  font-weight: 650;
}

h2 {
  font-size: 1.1875rem;
  font-weight: 650;
}

.fields {
  display: flex;
  flex: 0 1 680px;
  gap: 16px;
}

.guest {
  padding: 10px 14px;
  border: 1px solid var(--ink);
  background: var(--sheet);
}

.kinds {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(250px, 1fr));
  gap: 16px;
}

.kinds li {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 14px 16px;
  border: 1px solid var(--line);
  background: var(--sheet);
}

.kinds header {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
}

.words {
  flex: 1;
}

.due {
  min-height: 2.8em;
}

.kinds .v-btn {
  align-self: flex-start;
}

.below {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(480px, 100%), 1fr));
  gap: 32px;
  margin-top: 24px;
}

.below h2 {
  margin: 12px 0 4px;
}

.rows li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  min-height: 40px;
  padding: 4px 0;
  border-top: 1px solid var(--line-faint);
}

.rows a {
  flex: 1 1 220px;
  min-width: 0;
  overflow-wrap: anywhere;
}

.score {
  min-width: 34px;
  font-weight: 650;
  text-align: right;
}

.files {
  display: flex;
  gap: 16px;
  align-items: end;
}

.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: start;
  margin-top: 16px;
  padding: 8px 16px;
  border: 1px solid var(--line);
}

.bar .maker {
  flex: 1 1 320px;
  margin: 0;
}

.fields .code {
  flex: 0 0 110px;
}

@media (max-width: 900px) {
  .below {
    grid-template-columns: minmax(0, 1fr);
    gap: 8px;
  }

  .fields {
    flex: 1 1 100%;
  }
}
</style>
