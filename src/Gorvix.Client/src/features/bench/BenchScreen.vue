<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { api, ask, type Answer } from '@/api/client'
import BoardFace from '@/features/board/BoardFace.vue'
import BuildBar from '@/features/build/BuildBar.vue'
import BuildHead from '@/features/build/BuildHead.vue'
import KeysDialog from '@/features/build/KeysDialog.vue'
import StandingNote from '@/features/build/StandingNote.vue'
import { useStep } from '@/features/build/useStep'
import KeyButton from '@/ui/KeyButton.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import BenchLarge from './BenchLarge.vue'
import CheckCard from './CheckCard.vue'
import CheckList from './CheckList.vue'
import MeterPanel from './MeterPanel.vue'
import PointPlot from './PointPlot.vue'
import SimulatedPanel from './SimulatedPanel.vue'
import { useBench } from './useBench'

/** The proof of a build: what to measure and to look at, in the order that risks least, expected beside measured. */
const props = defineProps<{
  id: string
  /** The check that is looked at. */
  check: string | null
  /** True at arm's length: one check a screen. */
  large: boolean
  /** True when only what is not proved is shown. */
  open: boolean
}>()

const bench = useBench(() => props.id)
const { rows } = bench
const card = useTemplateRef<InstanceType<typeof CheckCard>>('card')
const big = useTemplateRef<InstanceType<typeof BenchLarge>>('big')
const simulated = useTemplateRef<InstanceType<typeof SimulatedPanel>>('simulated')
const meter = useTemplateRef<InstanceType<typeof MeterPanel>>('meter')
const plotted = ref(0)
const left = computed(() => rows.value.filter((r) => r.state !== 'proved'))
const shown = computed(() => (props.open ? left.value : rows.value))
const chosen = computed(
  () => rows.value.find((r) => r.check.id === props.check) ?? left.value[0] ?? rows.value[0],
)
const stops = computed(() => rows.value.filter((r) => r.state === 'stopped'))
const now = computed(() => (props.large ? big.value : card.value))

const step = useStep({
  id: () => props.id,
  words: 'Large view',
  keys: {
    arrowup: () => walk(-1),
    arrowdown: () => walk(1),
    g: () => now.value?.good(),
    '1': () => now.value?.answer('yes'),
    '2': () => now.value?.answer('no'),
    '3': () => now.value?.answer('unsure'),
    u: () => void undo(),
    v: () => now.value?.type(),
    s: () => simulated.value?.read(),
    m: () => meter.value?.read(),
    o: () => void query({ open: props.open ? undefined : '1' }),
    b: () => void query({ large: props.large ? undefined : '1' }),
  },
  list: [
    ['↑ ↓', 'previous, next check'],
    ['G', 'pass, next check'],
    ['1 2 3', 'pass or continuity, fail or open, not sure'],
    ['V', 'enter a meter reading; Enter saves it'],
    ['U', 'undo the last reading'],
    ['S', 'read from simulated bench, if open'],
    ['M', 'read from connected meter, if open'],
    ['O', 'show remaining or all'],
    ['B', 'large view on or off'],
  ],
  read: bench.read,
})
const { view, query, keysOpen } = step

async function go(id: string) {
  await query({ check: id })
  await nextTick()
  document.querySelector(`[data-row="${CSS.escape(id)}"]`)?.scrollIntoView({ block: 'nearest' })
}
function walk(by: number) {
  const list = props.large ? rows.value : shown.value
  const i = list.findIndex((r) => r.check.id === chosen.value?.check.id)
  const next = list[Math.min(list.length - 1, Math.max(0, i + by))]
  if (next) void go(next.check.id)
}
function take(value: number | null, answer: Answer | null, reason: string | null) {
  const at = chosen.value
  if (!at) return
  bench.take(at.check, value, answer, reason)
  plotted.value++
  // Only what is good goes on by itself: the rest wants to be read.
  const now = rows.value.find((r) => r.check.id === at.check.id)
  const i = rows.value.findIndex((r) => r.check.id === at.check.id)
  const next = rows.value.slice(i + 1).find((r) => r.state !== 'proved')
  if (now?.state === 'proved' && next) void go(next.check.id)
  else void go(at.check.id)
}
async function undo() {
  const check = await bench.undo()
  if (check) void go(check)
}
// What an instrument shows is taken as if a hand had typed it: where something stands against the check, a reason is asked for.
const shownBy = (value: number | null, answer: Answer | null) => card.value?.give(value, answer)
async function readSimulated() {
  const check = chosen.value?.check.id
  if (!check) return null
  const { data, problem } = await ask(() =>
    api.POST('/api/builds/{id}/bench/simulated/read', {
      params: { path: { id: props.id } },
      body: { check },
    }),
  )
  if (data) shownBy(data.value ?? null, data.answer ?? null)
  return problem
}
function ofPad(pad: string) {
  const row = shown.value.find((r) => r.check.redPad === pad || r.check.blackPad === pad)
  if (row) void go(row.check.id)
}
</script>

<template>
  <main class="bench-screen">
    <BuildBar v-if="view" :view="view" step="bench" />
    <StandingNote />
    <p v-if="!view && step.build.standing === 'loading'" class="quiet" role="status">Planning…</p>
    <template v-if="view">
      <BuildHead
        v-if="!large"
        class="no-print"
        :view="view"
        :findings="[]"
        @keys="keysOpen = true"
      />
      <ProblemNote
        v-if="bench.problem.value"
        title="Could not load checks"
        :problem="bench.problem.value"
      />
      <ul v-if="bench.view.value?.unsafe?.length" class="refused" role="alert" data-testid="unsafe">
        <li v-for="u in bench.view.value.unsafe" :key="u">
          <strong>No power yet.</strong> {{ u }}
        </li>
      </ul>
      <p v-if="bench.view.value?.waits" class="waits" data-testid="waits">
        {{ bench.view.value.waits }}
      </p>
      <p v-if="bench.offline.value" class="waits" role="status" data-testid="offline">
        Gorvix is not responding.
        {{
          bench.waiting.value.length === 1
            ? '1 reading is kept'
            : `${bench.waiting.value.length} readings are kept`
        }}
        in this browser and will be sent when it is back. Carry on.
      </p>
      <ul v-if="bench.refused.value.length > 0" class="refused" role="alert">
        <li v-for="r in bench.refused.value" :key="r.taken.key">
          {{ r.title }}: {{ r.sentence }}
          <v-btn variant="text" @click="(bench.dismiss(r.taken.key), go(r.taken.check))"
            >Show check</v-btn
          >
        </li>
      </ul>
      <BenchLarge
        v-if="large && chosen"
        ref="big"
        :rows="rows"
        :row="chosen"
        :face="view.sheet.face"
        :name="view.name"
        :can-undo="bench.last.value !== null"
        @take="take"
        @undo="undo"
        @walk="walk"
        @pad="ofPad"
        @leave="query({ large: undefined })"
      />
      <div v-else-if="bench.view.value" class="columns">
        <div>
          <header class="order">
            <h2>Checks in order</h2>
            <span class="count" data-testid="count"
              >{{ rows.length - left.length }} of {{ rows.length }} passed{{
                stops.length > 0 ? `, ${stops.length} failed` : ''
              }}</span
            >
            <span class="buttons no-print">
              <KeyButton
                letter="O"
                data-do="open"
                :pressed="open"
                :aria-pressed="open"
                @click="query({ open: open ? undefined : '1' })"
                >Remaining only</KeyButton
              >
              <KeyButton
                letter="U"
                data-do="undo-reading"
                :disabled="bench.last.value === null"
                @click="undo"
                >Undo reading</KeyButton
              >
              <KeyButton letter="B" data-do="large" @click="query({ large: '1' })"
                >Large view</KeyButton
              >
            </span>
          </header>
          <div class="instruments no-print">
            <MeterPanel
              ref="meter"
              :build="id"
              :check="chosen?.check.id ?? null"
              :takes-number="chosen?.check.unit != null"
              @read="shownBy"
            />
            <SimulatedPanel
              ref="simulated"
              :build="id"
              words="Read check"
              :can="chosen !== undefined"
              :take="readSimulated"
            />
          </div>
          <CheckList :rows="rows" :shown="shown" :chosen="chosen?.check.id ?? null" @choose="go" />
          <p v-if="rows.length === 0" role="status" class="quiet">
            Nothing to check: no device is connected.
          </p>
          <p v-else-if="shown.length === 0" role="status" class="quiet" data-testid="all-proved">
            All checks passed. Changing the build reopens the checks it affects.
          </p>
          <section v-if="bench.view.value.assumed.length > 0" class="assumed">
            <h2>Assumptions</h2>
            <ul>
              <li v-for="a in bench.view.value.assumed" :key="a">{{ a }}</li>
            </ul>
          </section>
        </div>
        <aside>
          <CheckCard v-if="chosen" ref="card" :row="chosen" @take="take">
            <PointPlot
              v-if="chosen.check.unit && chosen.last"
              :key="`${chosen.check.id} ${plotted} ${bench.waiting.value.length}`"
              :build="id"
              :check="chosen.check.id"
            />
          </CheckCard>
          <BoardFace
            v-if="view.sheet.face"
            class="board"
            :face="view.sheet.face"
            :name="view.name"
            :lit="[chosen?.check.redPad, chosen?.check.blackPad].filter((p) => p != null)"
            :red="chosen?.check.redPad"
            :black="chosen?.check.blackPad"
            @pad="ofPad"
          />
        </aside>
      </div>
      <v-skeleton-loader v-else-if="!bench.problem.value" type="article@2" />
    </template>
    <KeysDialog v-model="keysOpen" :keys="step.keyList" />
  </main>
</template>

<style scoped>
.bench-screen {
  padding: 0 24px 32px;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 6fr) minmax(0, 6fr);
  gap: 28px;
  align-items: start;
}

aside {
  position: sticky;
  top: 60px;
}

.order {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  margin-bottom: 8px;
}

.count {
  flex: 1;
  color: var(--ink-2);
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}

.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

h2 {
  margin-bottom: 4px;
  font-size: 1.25rem;
  font-weight: 650;
}

.board {
  margin-top: 12px;
}

.instruments {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-bottom: 10px;
}

.instruments > * {
  flex: 1 1 240px;
  margin: 0;
}

.instruments > [open] {
  flex-basis: 100%;
}

.assumed {
  margin-top: 16px;
  font-size: 0.9375rem;
}

.waits,
.refused {
  margin: 8px 0;
  padding-left: 12px;
  border-left: 3px solid var(--warn);
}

@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }

  /* The check that is at hand stands above the list. */
  aside {
    position: static;
    order: -1;
  }

  .board {
    max-width: 420px;
  }
}
</style>
