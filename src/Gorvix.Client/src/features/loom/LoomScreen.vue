<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import BoardFace from '@/features/board/BoardFace.vue'
import BuildBar from '@/features/build/BuildBar.vue'
import BuildHead from '@/features/build/BuildHead.vue'
import KeysDialog from '@/features/build/KeysDialog.vue'
import StandingNote from '@/features/build/StandingNote.vue'
import { useStep } from '@/features/build/useStep'
import KeyButton from '@/ui/KeyButton.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import BenchMode from './BenchMode.vue'
import LoomPaper from './LoomPaper.vue'
import LoomTables from './LoomTables.vue'
import PlugFaces from './PlugFaces.vue'
import StepList from './StepList.vue'
import { useLoom } from './useLoom'
import WireLengths from './WireLengths.vue'

/** From plan to soldered wires: the work in its order, the board with the pads of each step, plugs pin by pin, and what to measure. */
const props = defineProps<{
  id: string
  /** The step that is looked at. */
  step: string | null
  /** True at the bench: one step at a time, in large letters. */
  bench: boolean
  /** True when only what is left to do is shown. */
  open: boolean
}>()
const loom = useLoom(() => props.id)
const { steps } = loom
const shared = useStep({
  id: () => props.id,
  words: 'Loom',
  keys: {
    arrowup: () => walk(-1),
    arrowdown: () => walk(1),
    d: done,
    o: () => set('open', !props.open),
    b: () => set('bench', !props.bench),
    p: () => void print(false),
  },
  list: [
    ['↑ ↓', 'previous, next step'],
    ['D', 'mark done and go on; again to undo'],
    ['O', 'show remaining or all'],
    ['B', 'large view on or off'],
    ['P', 'print one sheet'],
  ],
  read: loom.read,
})
const { build, view, keysOpen, query } = shared

const sheet = computed(() => loom.view.value?.sheet)
const left = computed(() => steps.value.filter((s) => !s.isDone))
const shown = computed(() => (props.open ? left.value : steps.value))
const chosen = computed(
  () => steps.value.find((s) => s.id === props.step) ?? left.value[0] ?? steps.value[0],
)
const pads = computed(() => view.value?.sheet.face?.pads ?? [])
const uses = computed(() =>
  Object.fromEntries(
    (sheet.value?.wires ?? []).flatMap((w) => (w.pad ? [[w.pad, `${w.name}: ${w.label}`]] : [])),
  ),
)

async function go(id: string) {
  await query({ step: id })
  await nextTick()
  document.querySelector(`[data-step="${CSS.escape(id)}"]`)?.scrollIntoView({ block: 'nearest' })
}
function set(name: 'bench' | 'open', on: boolean) {
  void query({ [name]: on ? '1' : undefined })
}
function walk(by: number) {
  const list = props.bench ? steps.value : shown.value
  const i = list.findIndex((s) => s.id === chosen.value?.id)
  const next = list[Math.min(list.length - 1, Math.max(0, i + by))]
  if (next) void go(next.id)
}
// The next one that is left to do; at the bench a step that is done already is only gone on from.
function done() {
  const now = chosen.value
  if (!now || now.waits) return
  const i = steps.value.findIndex((s) => s.id === now.id)
  const next =
    steps.value.slice(i + 1).find((s) => !s.isDone) ?? left.value.find((s) => s.id !== now.id)
  if (!now.isDone) void loom.tick(now.id, true)
  else if (!props.bench) {
    void loom.tick(now.id, false)
    return
  }
  if (next) void go(next.id)
}
function ofPad(pad: string) {
  const step = steps.value.find((s) => s.pads.includes(pad))
  if (step) void go(step.id)
}
function ofBridge(bridge: string) {
  const step = steps.value.find((s) => s.bridge === bridge)
  if (step) void go(step.id)
}
const whole = ref(false)
async function print(everything: boolean) {
  whole.value = everything
  await nextTick()
  window.print()
}
</script>

<template>
  <main class="loom">
    <BuildBar v-if="view" :view="view" step="loom" />
    <StandingNote />
    <p v-if="!view && build.standing === 'loading'" class="quiet" role="status">Planning…</p>
    <template v-if="view">
      <BuildHead
        v-if="!bench"
        class="no-print"
        :view="view"
        :findings="view.sheet.open.ofLoom"
        @keys="keysOpen = true"
      />
      <ProblemNote
        v-if="loom.problem.value"
        title="Could not load wiring"
        :problem="loom.problem.value"
      />
      <BenchMode
        v-if="sheet && bench"
        class="no-print"
        :steps="steps"
        :chosen="chosen"
        :face="view.sheet.face"
        :name="view.name"
        :uses="uses"
        :cautions="loom.view.value?.cautions ?? []"
        :can-undo="view.undo !== null"
        @done="done"
        @walk="walk"
        @pad="ofPad"
        @bridge="ofBridge"
        @undo="build.undo()"
        @leave="set('bench', false)"
      />
      <div v-else-if="sheet" class="no-print">
        <ul class="cautions" data-testid="cautions">
          <li v-for="c in loom.view.value?.cautions" :key="c">{{ c }}</li>
        </ul>
        <div class="columns">
          <div>
            <header class="order">
              <h2>Steps in order</h2>
              <span class="count" data-testid="count"
                >{{ steps.length - left.length }} of {{ steps.length }} done</span
              >
              <span class="buttons">
                <KeyButton
                  letter="O"
                  data-do="open"
                  :pressed="open"
                  :aria-pressed="open"
                  @click="set('open', !open)"
                  >Remaining only</KeyButton
                >
                <KeyButton letter="B" data-do="bench" @click="set('bench', true)"
                  >Large view</KeyButton
                >
                <KeyButton letter="P" data-do="print" @click="print(false)">Print sheet</KeyButton>
              </span>
            </header>
            <StepList
              :steps="steps"
              :shown="shown"
              :chosen="chosen?.id ?? null"
              :pads="pads"
              @choose="go"
              @tick="loom.tick"
            />
            <p v-if="shown.length === 0" role="status" class="quiet" data-testid="all-done">
              All steps done. Check continuity before power-up.
            </p>
            <p v-if="left.length === 0" class="no-print">
              <v-btn variant="outlined" data-do="to-bench" :to="{ name: 'bench', params: { id } }"
                >Go to Bench</v-btn
              >
            </p>
          </div>
          <aside>
            <BoardFace
              v-if="view.sheet.face"
              class="board"
              :face="view.sheet.face"
              :name="view.name"
              :lit="chosen?.pads ?? []"
              :near="chosen?.near ?? []"
              :bridge="chosen?.bridge ?? null"
              :uses="uses"
              @pad="ofPad"
              @bridge="ofBridge"
            />
            <p v-else class="quiet">No board drawing: pad positions are not in the library.</p>
            <div class="plugs">
              <PlugFaces
                :faces="sheet.faces"
                :ways="sheet.otherWays"
                @did="(way) => loom.tick(way, true)"
              />
            </div>
          </aside>
        </div>
        <WireLengths
          :devices="view.devices"
          :names="view.sheet.devices"
          :allowance="loom.view.value?.allowance ?? 0"
          @change="build.changeParts"
        />
        <LoomTables :sheet="sheet" :build="id" @print="print(true)" />
      </div>
      <v-skeleton-loader v-else-if="!loom.problem.value" type="article@2" />
      <LoomPaper v-if="loom.view.value" :view="view" :loom="loom.view.value" :whole="whole" />
    </template>
    <KeysDialog v-model="keysOpen" :keys="shared.keyList" />
  </main>
</template>

<style scoped>
.loom {
  padding: 0 24px 32px;
}

.cautions li {
  display: inline;
}

.cautions li + li::before {
  content: ' ';
}

.cautions {
  margin: 8px 0 12px;
  padding: 0 0 0 12px;
  border-left: 3px solid var(--warn);
  list-style: none;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 7fr) minmax(0, 6fr);
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

@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }

  /* The board, the list, and then the plugs. */
  aside {
    display: contents;
  }

  .plugs {
    order: 1;
  }

  /* The whole board is in sight, so that no lit pad hides. */
  .board {
    max-width: 420px;
    order: -1;
  }
}

@media print {
  .loom {
    padding: 0;
  }
}
</style>
