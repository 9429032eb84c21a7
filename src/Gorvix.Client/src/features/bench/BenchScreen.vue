<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { api, ask, type Answer, type PictureWire } from '@/api/client'
import StepFrame from '@/features/build/StepFrame.vue'
import { useChecklist, type ListPlace } from '@/features/build/useChecklist'
import BoardOrPicture from '@/features/picture/BoardOrPicture.vue'
import { probesOf } from '@/features/picture/drawing'
import KeyButton from '@/ui/KeyButton.vue'
import LargeView from '@/ui/LargeView.vue'
import ListHead from '@/ui/ListHead.vue'
import CheckCard from './CheckCard.vue'
import CheckList from './CheckList.vue'
import MeterPanel from './MeterPanel.vue'
import PointPlot from './PointPlot.vue'
import SimulatedPanel from './SimulatedPanel.vue'
import { phases, useBench } from './useBench'

/** The proof of a build: what to measure and to look at, in the order that risks least, expected beside measured. */
const props = defineProps<{ id: string } & ListPlace>()

const bench = useBench(() => props.id)
const { rows } = bench
const card = useTemplateRef<InstanceType<typeof CheckCard>>('card')
const simulated = useTemplateRef<InstanceType<typeof SimulatedPanel>>('simulated')
const meter = useTemplateRef<InstanceType<typeof MeterPanel>>('meter')
const plotted = ref(0)
const stops = computed(() => rows.value.filter((r) => r.state === 'stopped'))

const shared = useChecklist({
  id: () => props.id,
  name: 'bench',
  items: () => rows.value,
  idOf: (r) => r.check.id,
  isDone: (r) => r.state === 'proved',
  place: props,
  one: 'check',
  keys: {
    g: () => card.value?.good(),
    '1': () => card.value?.answer('yes'),
    '2': () => card.value?.answer('no'),
    '3': () => card.value?.answer('unsure'),
    u: () => void undo(),
    v: () => card.value?.type(),
    s: () => simulated.value?.read(),
    m: () => meter.value?.read(),
  },
  list: [
    ['G', 'pass, next check'],
    ['1 2 3', 'pass or continuity, fail or open, not sure'],
    ['V', 'enter a meter reading; Enter saves it'],
    ['U', 'undo the last reading'],
    ['S', 'read from simulated bench, if open'],
    ['M', 'read from connected meter, if open'],
  ],
  read: bench.read,
  beside: ({ check }) => {
    const lead = check.redWire ?? check.blackWire ?? undefined
    return { lead, link: lead ? undefined : (check.link ?? undefined), port: undefined }
  },
})
const { view, left, shown, chosen } = shared
const probed = computed(() =>
  [chosen.value?.check.redPad, chosen.value?.check.blackPad].filter((p) => p != null),
)
const probes = computed(() => probesOf(chosen.value?.check))
const isProbed = computed(() => probes.value.some((p) => p.wire ?? p.pad))
const face = computed(() => ({
  build: props.id,
  name: view.value?.name ?? '',
  lit: probed.value,
  probes: probes.value,
}))

function take(value: number | null, answer: Answer | null, reason: string | null) {
  const at = chosen.value
  if (!at) return
  bench.take(at.check, value, answer, reason)
  plotted.value++
  // Only what is good goes on by itself: the rest wants to be read.
  const i = rows.value.findIndex((r) => r.check.id === at.check.id)
  const next = rows.value.slice(i + 1).find((r) => r.state !== 'proved')
  void shared.go((rows.value[i]?.state === 'proved' && next ? next : at).check.id)
}
async function undo() {
  const check = await bench.undo()
  if (check) void shared.go(check)
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
function ofWire(wire: PictureWire) {
  const row =
    shown.value.find(({ check: c }) => c.redWire === wire.id || c.blackWire === wire.id) ??
    shown.value.find((r) => wire.pad != null && r.check.redPad === wire.pad)
  if (row) void shared.go(row.check.id)
}
function ofPad(pad: string) {
  const row = shown.value.find((r) => r.check.redPad === pad || r.check.blackPad === pad)
  if (row) void shared.go(row.check.id)
}
</script>

<template>
  <StepFrame
    :shared="shared"
    :lead="
      rows.length > 0
        ? `${rows.length - left.length} of ${rows.length} passed${stops.length > 0 ? `, ${stops.length} failed` : ''}`
        : null
    "
    :large="large"
    has-paper
    :problem="bench.problem.value"
    problem-title="Could not load checks"
    :is-reading="!bench.view.value"
  >
    <ul v-if="bench.view.value?.unsafe?.length" class="refused" role="alert" data-testid="unsafe">
      <li v-for="u in bench.view.value.unsafe" :key="u"><strong>No power yet.</strong> {{ u }}</li>
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
        <v-btn variant="text" @click="(bench.dismiss(r.taken.key), shared.go(r.taken.check))"
          >Show check</v-btn
        >
      </li>
    </ul>
    <template v-if="view && bench.view.value">
      <LargeView
        v-if="large && chosen"
        label="Checks, large view"
        :heading="`${view.name}: checks`"
        :at="chosen.check.id"
        :progress="`${rows.length - left.length} of ${rows.length} passed`"
        :done="rows.length - left.length"
        :total="rows.length"
        :group="phases[chosen.check.phase]"
        :number="shared.number.value"
        :of="rows.length"
        undo="U"
        :can-undo="bench.last.value !== null"
        @walk="shared.walk"
        @undo="undo"
        @leave="shared.set('large')"
      >
        <template v-if="isProbed" #board>
          <BoardOrPicture v-bind="face" near :face="view.sheet.face" @pad="ofPad" @wire="ofWire" />
        </template>
        <CheckCard ref="card" large :row="chosen" @take="take" />
      </LargeView>
      <div v-else-if="!large" class="columns">
        <div>
          <ListHead
            title="Checks in order"
            :open="open"
            @open="shared.set('open')"
            @large="shared.set('large')"
          >
            <KeyButton
              letter="U"
              data-do="undo-reading"
              :disabled="bench.last.value === null"
              @click="undo"
              >Undo reading</KeyButton
            >
          </ListHead>
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
          <CheckList
            :rows="rows"
            :shown="shown"
            :chosen="chosen?.check.id ?? null"
            @choose="shared.go"
          />
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
          <BoardOrPicture
            v-bind="face"
            class="board"
            :face="view.sheet.face"
            @pad="ofPad"
            @wire="ofWire"
          />
        </aside>
      </div>
    </template>
  </StepFrame>
</template>

<style scoped>
.columns {
  --columns: minmax(0, 6fr) minmax(0, 6fr);
}

aside {
  position: sticky;
  top: 60px;
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

@media (max-width: 1000px) {
  /* The check that is at hand stands above the list. */
  aside {
    position: static;
    order: -1;
  }

  .board :deep(figure.face) {
    max-width: 420px;
  }
}
</style>
