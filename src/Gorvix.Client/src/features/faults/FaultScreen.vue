<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import type { Observation, PictureWire } from '@/api/client'
import SimulatedPanel from '@/features/bench/SimulatedPanel.vue'
import StepFrame from '@/features/build/StepFrame.vue'
import { useStep } from '@/features/build/useStep'
import BoardOrPicture from '@/features/picture/BoardOrPicture.vue'
import { probesOf } from '@/features/picture/drawing'
import { useSelected } from '@/features/picture/useSelected'
import KeyButton from '@/ui/KeyButton.vue'
import LargeView from '@/ui/LargeView.vue'
import ListRow from '@/ui/ListRow.vue'
import CauseCard from './CauseCard.vue'
import CauseList from './CauseList.vue'
import KindsPanel from './KindsPanel.vue'
import SeenList from './SeenList.vue'
import SignList from './SignList.vue'
import TestCard from './TestCard.vue'
import { suspectsIn } from './suspects'
import { useFaults } from './useFaults'
import { minutesOf } from '@/ui/minutes'

/** What is wrong: what is seen, what it can be, and the test that tells most a minute. */
const props = defineProps<{
  id: string
  /** The test that is looked at; the best one where none is named. */
  test: string | null
  /** The cause that is looked at. */
  cause: string | null
  /** Words that a sign is looked for by. */
  words: string
  /** True at arm's length: one test a screen. */
  large: boolean
}>()

const faults = useFaults(() => props.id)
const signs = useTemplateRef<InstanceType<typeof SignList>>('signs')
const card = useTemplateRef<InstanceType<typeof TestCard>>('card')
const simulated = useTemplateRef<InstanceType<typeof SimulatedPanel>>('simulated')
const sheet = computed(() => faults.view.value?.sheet)
const isOpen = computed(() => sheet.value?.state === 'open')
const lead = computed(() =>
  isOpen.value ? 'No symptoms yet' : isFound.value ? 'Cause found' : 'Cause not found yet',
)
const isFound = computed(() => sheet.value?.state === 'found')
const next = computed(
  () => sheet.value?.next.find((n) => n.test.id === props.test) ?? sheet.value?.next[0],
)
const chosen = computed(
  () => sheet.value?.causes.find((c) => c.id === props.cause) ?? sheet.value?.causes[0],
)
const titles = computed(() => new Map(sheet.value?.signs.map((s) => [s.id, s.title])))
const proof = computed(() => {
  const test = chosen.value?.proof
  return test
    ? (titles.value.get(test) ??
        sheet.value?.next.find((n) => n.test.id === test)?.test.title ??
        null)
    : null
})
// Tests that cannot be done, and causes that were not there.
const outside = computed(
  () => (faults.said.value.cannot ?? []).length + (faults.said.value.refuted ?? []).length,
)
const lit = computed(() => [
  ...new Set(
    [next.value?.test.redPad, next.value?.test.blackPad, ...(chosen.value?.pads ?? [])].filter(
      (p) => p != null,
    ),
  ),
])

const step = useStep({
  id: () => props.id,
  name: 'faults',
  keys: {
    ...Object.fromEntries(
      Array.from({ length: 8 }, (_, i) => [`${i + 1}`, () => card.value?.answer(i)]),
    ),
    '/': () => signs.value?.find(),
    a: () => void rest(),
    c: () => next.value && void cannot(next.value.test.id),
    n: () => another(1),
    p: () => another(-1),
    b: () => isLarge(!props.large),
    z: () => void back(),
    m: mended,
    x: refute,
    v: () => card.value?.type(),
    s: () => simulated.value?.read(),
  },
  list: [
    ['/', 'search symptoms'],
    ['1 … 8', 'test result'],
    ['A', 'mark the rest normal'],
    ['N P', 'next, previous test'],
    ['C', 'skip a test you cannot run'],
    ['V', 'enter a meter reading'],
    ['B', 'large view on or off'],
    ['Z', 'undo last answer'],
    ['X', 'rule out the cause'],
    ['M', 'mark the cause as fixed'],
    ['S', 'run on simulated bench, if open'],
  ],
  read: faults.read,
})
const { view, query } = step
const selected = useSelected()
const isLarge = (on: boolean) => void query({ large: on ? '1' : undefined })
const back = () => (faults.said.value.said?.length ? say(() => faults.back()) : undefined)
const at = computed(() => sheet.value?.next.findIndex((n) => n === next.value) ?? -1)
const probes = computed(() => probesOf(next.value?.test))
const { look, suspect, causeOn } = suspectsIn(() => sheet.value?.causes ?? [])
const face = computed(() => ({
  build: props.id,
  name: view.value?.name ?? '',
  lit: lit.value,
  bridge: chosen.value?.places[0]?.bridge,
  probes: probes.value,
  look,
  suspect,
}))
function ofWire(wire: PictureWire) {
  void query({ ...selected.of(wire), cause: causeOn(wire)?.id })
}
// What the cause is about stays selected on the next step.
function choose(id: string) {
  const place = sheet.value?.causes.find((c) => c.id === id)?.places.find((p) => p.lead)
  void query({
    cause: id,
    ...(place ? { lead: `${place.device} ${place.lead}`, link: undefined } : {}),
  })
}

async function say(act: () => Promise<void>) {
  await act()
  await query({ test: undefined, cause: undefined })
}
function answer(outcome: string) {
  const test = next.value?.test.id
  if (test) void say(() => faults.say(test, outcome))
}
const cannot = (test: string) => say(() => faults.cannot(test))
function another(by: number) {
  const list = sheet.value?.next ?? []
  const i = list.findIndex((n) => n.test.id === next.value?.test.id)
  const to = list[Math.min(list.length - 1, Math.max(0, i + by))]
  if (to) void query({ test: to.test.id })
}
// Signs that nobody has spoken of are as a sound craft shows them: those of which what was said leaves it open.
async function rest() {
  const sound = sheet.value?.rest ?? []
  if (sound.length > 0)
    await say(() => faults.keep((now) => ({ said: [...(now.said ?? []), ...sound] })))
}
function refute() {
  const cause = chosen.value
  if (cause && cause.cure.length > 0) void say(() => faults.refute(cause.id))
}
const end = (cause: string | null) => void say(() => faults.end(cause, ''))
function mended() {
  const cause = chosen.value
  if (isFound.value && cause) end(cause.id)
}
async function readSimulated() {
  // While nothing was said, the stand-in shows every sign at once, as a glance does.
  if (isOpen.value) {
    const said: Observation[] = []
    for (const sign of sheet.value?.signs ?? []) {
      const { outcome, problem } = await faults.simulate(sign.id)
      if (problem) return problem
      if (outcome) said.push({ test: sign.id, outcome })
    }
    await say(() => faults.keep(() => ({ said })))
    return null
  }
  if (!next.value) return null
  const { outcome, problem } = await faults.simulate(next.value.test.id)
  if (outcome) answer(outcome)
  return problem
}
</script>

<template>
  <StepFrame
    :shared="step"
    :lead="lead"
    :large="large && !isOpen"
    :problem="faults.problem.value"
    problem-title="That did not work"
    :is-reading="!sheet"
  >
    <template v-if="view && sheet">
      <LargeView
        v-if="large && !isOpen && next"
        label="Tests, large view"
        :heading="`${view.name}: tests`"
        :at="next.test.id"
        :progress="isFound ? 'Confirm the cause' : 'Next test'"
        :group="sheet.verdict"
        :number="at + 1"
        :of="sheet.next.length"
        undo="Z"
        :can-undo="(faults.said.value.said ?? []).length > 0"
        @walk="another"
        @undo="back"
        @leave="isLarge(false)"
      >
        <template v-if="lit.length > 0" #board>
          <BoardOrPicture v-bind="face" near :face="view.sheet.face" @wire="ofWire" />
        </template>
        <TestCard
          ref="card"
          large
          :next="next"
          :causes="sheet.causes"
          :busy="faults.busy.value"
          @say="answer"
          @cannot="cannot(next.test.id)"
        />
      </LargeView>
      <div v-else class="columns" :class="isOpen ? 'open' : 'thirds'">
        <div class="left">
          <template v-if="!isOpen">
            <h2>Observed</h2>
            <SeenList
              :seen="sheet.seen"
              :doubted="sheet.doubted"
              @unsay="(t) => say(() => faults.unsay(t))"
            />
            <v-btn
              v-if="sheet.rest.length > 0"
              class="rest"
              variant="outlined"
              data-do="rest"
              :disabled="faults.busy.value"
              @click="rest"
              >Mark rest normal<v-kbd aria-hidden="true">A</v-kbd></v-btn
            >
            <v-btn
              v-if="outside > 0"
              class="rest"
              variant="text"
              data-do="bring-back"
              @click="say(() => faults.keep(() => ({ cannot: [], refuted: [] })))"
              >Restore excluded ({{ outside }})</v-btn
            >
          </template>
          <v-checkbox
            v-if="!faults.said.value.usesBench || sheet.seen.some((s) => s.on)"
            class="rest"
            label="Use Bench readings"
            data-do="uses-bench"
            hide-details
            density="compact"
            :model-value="faults.said.value.usesBench"
            @update:model-value="say(() => faults.keep((now) => ({ usesBench: !now.usesBench })))"
          />
          <SignList
            ref="signs"
            :signs="sheet.signs"
            :seen="sheet.seen"
            :words="words"
            :wide="isOpen"
            @say="(t, o) => say(() => faults.say(t, o))"
            @unsay="(t) => say(() => faults.unsay(t))"
            @words="(w) => query({ say: w || undefined })"
          />
        </div>
        <section v-if="!isOpen" class="middle" aria-label="Next test">
          <header v-if="next" class="order">
            <h2>{{ isFound ? 'Confirm the cause' : 'Next test' }}</h2>
            <KeyButton class="no-print" letter="B" data-do="large" @click="isLarge(true)"
              >Large view</KeyButton
            >
          </header>
          <TestCard
            v-if="next"
            ref="card"
            :next="next"
            :causes="sheet.causes"
            :busy="faults.busy.value"
            @say="answer"
            @cannot="cannot(next.test.id)"
          />
          <p v-else class="quiet" role="status">No further test would help.</p>
          <details v-if="sheet.next.length > 1" class="more">
            <summary>{{ sheet.next.length - 1 }} other useful tests</summary>
            <ul class="worked">
              <ListRow
                v-for="n in sheet.next.slice(0, 14)"
                :id="n.test.id"
                :key="n.test.id"
                :words="n.test.title"
                :end="`${minutesOf(n.test.minutes)}${n.notYet ? ', later' : ''}`"
                :chosen="n.test.id === next?.test.id"
                @choose="query({ test: n.test.id })"
              />
            </ul>
          </details>
          <BoardOrPicture v-bind="face" class="board" :face="view.sheet.face" @wire="ofWire" />
        </section>
        <aside>
          <template v-if="isOpen">
            <p class="lead">
              Mark what is wrong and what is normal. You get possible causes and the quickest useful
              test.
            </p>
          </template>
          <template v-else>
            <h2>Causes</h2>
            <p class="verdict" role="status" data-testid="verdict" :data-state="sheet.state">
              {{ sheet.verdict }}
            </p>
            <CauseList
              :causes="sheet.causes"
              :others="sheet.others"
              :chosen="chosen?.id ?? null"
              @choose="choose"
            />
            <CauseCard
              v-if="chosen"
              :cause="chosen"
              :proof="proof"
              :build="id"
              :busy="faults.busy.value"
              @mended="end(chosen.id)"
              @refute="refute"
            />
            <p class="deeds no-print">
              <v-btn
                variant="text"
                data-do="anew"
                @click="
                  say(() =>
                    faults.keep(() => ({ said: [], cannot: [], refuted: [], usesBench: true })),
                  )
                "
                >Start over</v-btn
              >
              <v-btn variant="text" data-do="give-up" @click="end(null)">Stop and log</v-btn>
            </p>
          </template>
          <SimulatedPanel
            ref="simulated"
            :build="id"
            :words="isOpen ? 'Read all symptoms' : 'Run this test'"
            :can="isOpen || next !== undefined"
            :take="readSimulated"
          />
          <KindsPanel @changed="faults.read" />
          <p class="no-print">
            <RouterLink :to="{ name: 'drill', query: { build: id } }"
              >Practise on this build</RouterLink
            >
          </p>
        </aside>
      </div>
    </template>
  </StepFrame>
</template>

<style scoped>
.columns {
  gap: 24px;
}

.columns.open {
  --columns: minmax(0, 8fr) minmax(0, 4fr);
}

h2 {
  margin-bottom: 6px;
}

.order h2 {
  margin: 0;
}

.order {
  margin-bottom: 6px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  justify-content: space-between;
}

.verdict {
  margin-bottom: 8px;
  font-weight: 600;
}

.lead,
.rest {
  margin-bottom: 12px;
}

.rest,
.more,
.board {
  margin-top: 12px;
}

.more summary {
  min-height: 32px;
  cursor: pointer;
}

.deeds {
  margin-top: 8px;
}

@media (max-width: 1000px) {
  /* The test at hand and what it can be stand above the signs. */
  .thirds > .left {
    order: 3;
  }

  .board :deep(figure.face) {
    max-width: 420px;
  }
}
</style>
