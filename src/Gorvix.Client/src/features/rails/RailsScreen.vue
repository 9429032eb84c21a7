<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { api, ask, type PictureWire, type SetupChoices } from '@/api/client'
import TermHelp from '@/ui/TermHelp.vue'
import StepFrame from '@/features/build/StepFrame.vue'
import { useStep } from '@/features/build/useStep'
import BoardOrPicture from '@/features/picture/BoardOrPicture.vue'
import { thick, type WireLook } from '@/features/picture/drawing'
import { useSelected } from '@/features/picture/useSelected'
import RuleCode from '@/features/rules/RuleCode.vue'
import BenchFields from './BenchFields.vue'
import ChargeSlider from './ChargeSlider.vue'
import RailBar from './RailBar.vue'
import ReadingTable from './ReadingTable.vue'
import SituationPicker from './SituationPicker.vue'
import SupplyWay from './SupplyWay.vue'
import { drawn, useRails } from './useRails'
import WindowBand from './WindowBand.vue'
import WireFields from './WireFields.vue'

/** Will anything burn, will anything starve, how much is left: every rail and every supply lead, situation by situation. */
const props = defineProps<{
  id: string
  /** The situation that is looked at. */
  at: string | null
  /** Volts of a cell that were chosen. */
  cell: number | null
  /** The lead that is looked at, as "device lead". */
  lead: string | null
}>()
const rails = useRails(() => props.id)
const shared = useStep({
  id: () => props.id,
  name: 'rails',
  keys: {
    arrowleft: () => step(-1),
    arrowright: () => step(1),
    arrowup: () => walk(-1),
    arrowdown: () => walk(1),
    '+': () => charged(cellNow.value + 0.05),
    '-': () => charged(cellNow.value - 0.05),
  },
  list: [
    ['← →', 'previous, next power source'],
    ['+ −', 'raise, lower cell voltage'],
    ['↑ ↓', 'previous, next device'],
  ],
  read: () => rails.read(props.cell, props.at),
  by: () => [props.cell, props.at],
})
const { build, view, query } = shared

const lines = computed(() => rails.view.value?.situations ?? [])
const now = computed(() => rails.view.value?.now)
const sheet = computed(() => now.value?.sheet)
const charge = computed(() => rails.view.value?.charge)
// While it is slid, it is where the hand is and not where the answer was.
const cellNow = computed(
  () => (props.at === 'charge' ? props.cell : null) ?? charge.value?.cell ?? 0,
)
const usb = computed(() => sheet.value?.situation.inputVolts == null)
const selected = useSelected()
const leads = computed(() => new Map(sheet.value?.leads.map((l) => [`${l.device} ${l.lead}`, l])))
// A signal that is selected leads to the supply of its device.
const chosen = computed(() => {
  const device =
    props.lead?.split(' ')[0] ??
    view.value?.sheet.links.find((l) => l.id === selected.link.value)?.deviceId
  return leads.value.get(props.lead ?? '') ?? sheet.value?.leads.find((l) => l.device === device)
})
const notes = computed(() => [
  ...(now.value?.findings ?? []),
  ...(rails.view.value?.standing ?? []),
])
/** A note is no issue: what the bar counts is counted here. */
const state = computed(() => {
  if (!now.value) return ''
  const issues = notes.value.filter((f) => f.severity !== 'note').length
  if (now.value.clear) return now.value.clear
  if (issues > 0) return issues === 1 ? '1 supply issue' : `${issues} supply issues`
  const unpowered = sheet.value?.leads.every((l) => l.state === 'unfed') ?? true
  return unpowered ? 'No device powered' : 'A supply is at its limit'
})
/** What is drawn from the battery or supply, and from USB where that is what powers the board. */
const figures = computed(() => {
  const s = sheet.value
  if (!s) return []
  const of = (name: string, amps: number) => ({ name, amps: drawn(amps, s.atLeast) })
  return [
    ...(s.sourceAmps
      ? [of('Typical draw', s.sourceAmps.typical), of('Peak draw', s.sourceAmps.peak)]
      : []),
    ...(s.usbAmps && usb.value ? [of('USB draw', s.usbAmps.typical)] : []),
  ]
})

function step(by: number) {
  const i = lines.value.findIndex((l) => l.id === sheet.value?.situation.id)
  const next = lines.value[(i + by + lines.value.length) % lines.value.length]
  if (next) void query({ at: next.id })
}
function walk(by: number) {
  const leads = sheet.value?.leads ?? []
  const i = leads.findIndex((l) => l === chosen.value)
  const next =
    leads[i < 0 ? (by > 0 ? 0 : leads.length - 1) : (i + by + leads.length) % leads.length]
  if (next) pick(next.device, next.lead)
}
function charged(value: number) {
  const c = charge.value
  if (!c) return
  const set = Math.min(c.full, Math.max(c.empty, Math.round(value * 100) / 100))
  void query({ cell: set.toFixed(2), at: 'charge' })
}
function pick(device: string, lead?: string) {
  const found = sheet.value?.leads.find((l) => l.device === device && (!lead || l.lead === lead))
  if (found) void query({ lead: `${found.device} ${found.lead}`, link: undefined, port: undefined })
}
/** Supplies by what flows in them, with what is lost on the way there and back; grounds with them, signals faint. */
function look(wire: PictureWire): WireLook | null {
  const lead = leads.value.get(wire.id)
  if (!lead) return wire.role === 'ground' ? {} : null
  const pad = lead.way.at(-2)
  return {
    width: lead.amps == null ? undefined : thick(lead.amps),
    alarm:
      lead.state === 'burns' || lead.state === 'starves'
        ? 'stop'
        : lead.state === 'tight'
          ? 'warn'
          : undefined,
    note: [
      lead.amps == null ? 'current unknown' : `${drawn(lead.amps, lead.atLeast)} typical`,
      pad && lead.volts != null ? `${(pad.volts - lead.volts).toFixed(2)} V drop` : '',
    ]
      .filter(Boolean)
      .join(' · '),
  }
}
const lit = computed(() => (chosen.value?.boardPad ? [chosen.value.boardPad] : []))

const choices = shallowRef<SetupChoices | null>(null)
void ask(() => api.GET('/api/choices')).then((answer) => (choices.value = answer.data))
</script>

<template>
  <StepFrame
    :shared="shared"
    :lead="state"
    :problem="rails.problem.value"
    problem-title="Could not load rails"
    :is-reading="!sheet"
  >
    <template v-if="view && sheet && now">
      <div class="switches">
        <SituationPicker :lines="lines" :now="sheet.situation.id" @choose="query({ at: $event })" />
        <ChargeSlider v-if="charge" :charge="charge" :cell="cellNow" @charged="charged" />
      </div>
      <h2 class="print-only">Power source: {{ sheet.situation.name }}</h2>
      <div class="answer" role="status" data-testid="answer">
        <dl v-if="figures.length > 0">
          <div v-for="f in figures" :key="f.name" :data-figure="f.name">
            <dt>{{ f.name }}</dt>
            <dd>{{ f.amps }}</dd>
          </div>
        </dl>
      </div>
      <ul v-if="notes.length > 0" class="findings">
        <li v-for="(f, i) in notes" :key="i" :class="f.severity">
          <RuleCode :code="f.rule" /> {{ f.sentence }}
        </li>
      </ul>
      <div class="columns">
        <div>
          <h2>Rails <TermHelp term="rail" /></h2>
          <RailBar
            v-for="r in sheet.rails"
            :key="r.id"
            :rail="r"
            :chosen="chosen?.device ?? null"
            @device="pick($event)"
          />
        </div>
        <div>
          <h2>Device supplies <TermHelp term="brown-out" /></h2>
          <WindowBand
            v-for="l in sheet.leads"
            :key="`${l.device} ${l.lead}`"
            :lead="l"
            :span="rails.view.value?.spans.find((s) => s.device === l.device && s.lead === l.lead)"
            :chosen="l === chosen"
            @choose="pick(l.device, l.lead)"
          />
          <p v-if="sheet.leads.length === 0" class="quiet">No device lists a supply range.</p>
          <section v-if="chosen" class="way" data-testid="way">
            <h3>Supply path: {{ chosen.name }} {{ chosen.label }}</h3>
            <SupplyWay :lead="chosen" />
          </section>
          <BoardOrPicture
            class="face no-print"
            :build="id"
            :name="view.name"
            :face="view.sheet.face"
            :lit="lit"
            :look="look"
            :situation="{ at, cell }"
            @wire="(wire) => selected.select(wire)"
          />
        </div>
      </div>
      <div class="bench">
        <ReadingTable :readings="now.readings" :situation="sheet.situation.name" />
        <div>
          <BenchFields :setup="view.setup" :choices="choices" @change="build.setUp" />
          <WireFields :wires="rails.view.value?.wires ?? []" @change="build.changeParts" />
        </div>
      </div>
      <p v-for="a in rails.view.value?.assumed" :key="a" class="quiet small">{{ a }}</p>
    </template>
  </StepFrame>
</template>

<style scoped>
.switches {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  align-items: center;
  margin-top: 8px;
}

.answer {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 32px;
  align-items: center;
  margin: 10px 0 4px;
}

.answer dl {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 28px;
  margin: 0;
}

.answer dt {
  color: var(--ink-2);
  font-size: 0.875rem;
}

.answer dd {
  margin: 0;
  font-size: 1.375rem;
  font-weight: 650;
  font-variant-numeric: tabular-nums;
  line-height: 1.2;
}

.findings li {
  padding: 4px 0 4px 12px;
  border-left: 3px solid var(--line);
}

.findings li.stop {
  border-color: var(--stop);
}

.findings li.warn {
  border-color: var(--warn);
}

.print-only {
  display: none;
}

.bench {
  display: grid;
  grid-template-columns: minmax(0, 8fr) minmax(0, 5fr);
  gap: 24px;
  align-items: start;
  margin: 20px 0 12px;
}

.columns {
  --columns: minmax(0, 5fr) minmax(0, 8fr);
  gap: 24px;
  margin-top: 14px;
}

h2 {
  margin-bottom: 4px;
}

.way {
  margin-top: 16px;
  padding: 10px 16px;
  border: 1px solid var(--line);
  background: var(--sheet);
}

.way h3 {
  font-weight: 650;
}

.face {
  margin-top: 16px;
}

.face :deep(figure.face) {
  max-width: 380px;
}

@media (max-width: 1200px) {
  .columns,
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
}

@media print {
  .print-only {
    display: block;
  }

  .columns,
  .bench {
    display: block;
  }
}
</style>
