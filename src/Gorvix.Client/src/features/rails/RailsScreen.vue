<script setup lang="ts">
import { useTitle } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import BoardFace from '@/features/board/BoardFace.vue'
import BuildBar from '@/features/build/BuildBar.vue'
import BuildHead from '@/features/build/BuildHead.vue'
import KeysDialog from '@/features/build/KeysDialog.vue'
import StandingNote from '@/features/build/StandingNote.vue'
import RuleCode from '@/features/rules/RuleCode.vue'
import { useBuild } from '@/stores/build'
import ProblemNote from '@/ui/ProblemNote.vue'
import { useScreenKeys } from '@/ui/useScreenKeys'
import RailBar from './RailBar.vue'
import { amps, useRails, volts } from './useRails'
import WindowBand from './WindowBand.vue'

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
const router = useRouter()
const route = useRoute()
const build = useBuild()
const { view } = storeToRefs(build)
const rails = useRails(() => props.id)
const keysOpen = ref(false)
const keys: [string, string][] = [
  ['← →', 'the situation before, the next one'],
  ['+ −', 'charge up, charge down'],
  ['F', 'to Fit'],
  ['?', 'this list'],
]

const all = computed(() => rails.view.value?.at ?? [])
const now = computed(
  () =>
    all.value.find((a) => a.sheet.situation.id === (props.at ?? (props.cell ? 'charge' : ''))) ??
    all.value[0],
)
const sheet = computed(() => now.value?.sheet)
const charge = computed(() => rails.view.value?.charge)
const cellNow = computed(() => props.cell ?? charge.value?.full ?? 0)
const usb = computed(() => sheet.value?.situation.inputVolts == null)
const chosen = computed(() =>
  sheet.value?.leads.find((l) => `${l.device} ${l.lead}` === props.lead),
)
const least = computed(() => (sheet.value?.rails.some((r) => r.atLeast) ? 'at least ' : ''))
const worst = (id: string) => {
  const found = all.value.find((a) => a.sheet.situation.id === id)?.findings[0]
  return found?.severity === 'stop' ? 'stop' : found?.severity === 'warn' ? 'warn' : null
}

function go(query: Record<string, string | undefined>) {
  void router.replace({ query: { ...route.query, ...query } })
}
function step(by: number) {
  const i = all.value.findIndex((a) => a.sheet.situation.id === sheet.value?.situation.id)
  const next = all.value[(i + by + all.value.length) % all.value.length]
  if (next) go({ at: next.sheet.situation.id })
}
function charged(value: number) {
  const c = charge.value
  if (!c) return
  const set = Math.min(c.full, Math.max(c.empty, Math.round(value * 100) / 100))
  go({ cell: set.toFixed(2), at: 'charge' })
}
function pick(device: string, lead?: string) {
  const found = sheet.value?.leads.find((l) => l.device === device && (!lead || l.lead === lead))
  if (found) go({ lead: `${found.device} ${found.lead}` })
}
const lit = computed(() => (chosen.value?.pad ? [chosen.value.pad] : []))

useScreenKeys(
  {
    arrowleft: () => step(-1),
    arrowright: () => step(1),
    '+': () => charged(cellNow.value + 0.05),
    '-': () => charged(cellNow.value - 0.05),
    f: () => void router.push({ name: 'fit', params: { id: props.id } }),
    '?': () => (keysOpen.value = true),
  },
  keysOpen,
)
useTitle(computed(() => `${view.value?.name ?? 'Build'} – Rails – Gorvix`))
watch(() => props.id, build.open, { immediate: true })
watch(
  () => [view.value?.version, props.cell] as const,
  ([version, cell]) => {
    if (version !== undefined) void rails.read(cell)
  },
  { immediate: true },
)
</script>

<template>
  <main class="rails">
    <BuildBar v-if="view" :view="view" step="rails" />
    <StandingNote />
    <p v-if="!view && build.standing === 'loading'" class="quiet" role="status">Planning …</p>
    <template v-if="view">
      <BuildHead :view="view" :findings="[]" @keys="keysOpen = true" />
      <ProblemNote
        v-if="rails.problem.value"
        title="The rails cannot be shown"
        :problem="rails.problem.value"
      />
      <template v-if="sheet && now">
        <div class="switches">
          <v-btn-toggle
            mandatory
            class="situations"
            aria-label="What feeds the build"
            :model-value="sheet.situation.id"
            @update:model-value="go({ at: $event })"
          >
            <v-btn
              v-for="a in all"
              :key="a.sheet.situation.id"
              :value="a.sheet.situation.id"
              size="small"
              :data-situation="a.sheet.situation.id"
              >{{ a.sheet.situation.name
              }}<span v-if="worst(a.sheet.situation.id)" class="mark">{{
                worst(a.sheet.situation.id) === 'stop' ? '■' : '◧'
              }}</span></v-btn
            >
          </v-btn-toggle>
          <label v-if="charge" class="charge no-print">
            <span>{{ volts(cellNow) }} a cell, {{ volts(cellNow * charge.cells) }} the pack</span>
            <input
              type="range"
              data-field="charge"
              :min="charge.empty"
              :max="charge.full"
              step="0.01"
              :value="cellNow"
              aria-label="Volts of a cell"
              @input="charged(Number(($event.target as HTMLInputElement).value))"
            />
          </label>
        </div>
        <p class="answer" role="status" data-testid="answer">
          <strong v-if="now.findings.length === 0">Nothing burns and nothing starves here.</strong>
          <span v-if="sheet.sourceAmps" class="quiet">
            The source gives {{ least }}{{ amps(sheet.sourceAmps.typical) }} as a rule, {{ least
            }}{{ amps(sheet.sourceAmps.peak) }} at the most load.</span
          >
          <span v-if="sheet.usbAmps && usb" class="quiet">
            USB gives {{ least }}{{ amps(sheet.usbAmps.typical) }}.</span
          >
        </p>
        <ul v-if="now.findings.length > 0" class="findings">
          <li v-for="(f, i) in now.findings" :key="i" :class="f.severity">
            <RuleCode :code="f.rule" /> {{ f.sentence }}
          </li>
        </ul>
        <div class="columns">
          <div>
            <h2>Rails</h2>
            <RailBar
              v-for="r in sheet.rails"
              :key="r.id"
              :rail="r"
              :chosen="chosen?.device ?? null"
              @device="pick($event)"
            />
          </div>
          <div>
            <h2>What each device gets</h2>
            <WindowBand
              v-for="l in sheet.leads"
              :key="`${l.device} ${l.lead}`"
              :lead="l"
              :span="
                rails.view.value?.spans.find((s) => s.device === l.device && s.lead === l.lead)
              "
              :usb="usb"
              :chosen="l === chosen"
              @choose="pick(l.device, l.lead)"
            />
            <p v-if="sheet.leads.length === 0" class="quiet">No device tells what it takes.</p>
            <section v-if="chosen" class="way" data-testid="way">
              <h3>The way to {{ chosen.label }} of the {{ chosen.name }}</h3>
              <p v-if="chosen.way.length === 0" class="quiet">Nothing feeds it in this plan.</p>
              <ol v-else>
                <li v-for="s in chosen.way" :key="s.what">
                  <span class="label">{{ s.what }}</span>
                  <span class="volts">{{ volts(s.volts) }}</span>
                </li>
              </ol>
              <BoardFace
                v-if="view.sheet.face"
                class="face no-print"
                :face="view.sheet.face"
                :name="view.name"
                :lit="lit"
              />
            </section>
          </div>
        </div>
        <p v-for="a in rails.view.value?.assumed" :key="a" class="quiet small">{{ a }}</p>
      </template>
      <v-skeleton-loader v-else-if="!rails.problem.value" type="article@2" />
    </template>
    <KeysDialog v-model="keysOpen" :keys="keys" />
  </main>
</template>

<style scoped>
.rails {
  padding: 0 24px 32px;
}

.switches {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  align-items: center;
  margin-top: 8px;
}

.situations {
  flex-wrap: wrap;
  height: auto !important;
}

.mark {
  margin-left: 6px;
  color: var(--stop);
}

.v-btn--active .mark {
  color: inherit;
}

.charge {
  display: flex;
  flex: 1 1 280px;
  gap: 12px;
  align-items: center;
  font-variant-numeric: tabular-nums;
}

.charge span {
  flex: none;
  min-width: 210px;
}

.charge input {
  flex: 1;
  min-width: 120px;
  height: 32px;
  accent-color: var(--chosen);
}

.answer {
  margin: 10px 0 4px;
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

.columns {
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 8fr);
  gap: 24px;
  align-items: start;
  margin-top: 14px;
}

h2 {
  margin-bottom: 4px;
  font-size: 1.25rem;
  font-weight: 650;
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

.way ol {
  display: flex;
  flex-wrap: wrap;
  margin: 8px 0;
  padding: 0;
  list-style: none;
}

.way li {
  display: flex;
  flex-direction: column;
  min-width: 110px;
  padding: 0 16px 4px 0;
  border-top: 2px solid var(--ink);
}

.way li:last-child {
  border-color: var(--chosen);
}

.face {
  max-width: 380px;
}

.volts {
  font-variant-numeric: tabular-nums;
}

.small {
  font-size: 0.9375rem;
}

@media (max-width: 1200px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
