<script setup lang="ts">
import { computed, nextTick } from 'vue'
import { useRoute } from 'vue-router'
import type { BuildSettings } from '@/api/client'
import BuildBar from '@/features/build/BuildBar.vue'
import BuildHead from '@/features/build/BuildHead.vue'
import KeysDialog from '@/features/build/KeysDialog.vue'
import StandingNote from '@/features/build/StandingNote.vue'
import { useStep } from '@/features/build/useStep'
import KeyButton from '@/ui/KeyButton.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import ChoiceFields from './ChoiceFields.vue'
import CompassPart from './CompassPart.vue'
import FormPart from './FormPart.vue'
import GnssPart from './GnssPart.vue'
import ReadBackPart from './ReadBackPart.vue'
import ReturnList from './ReturnList.vue'
import SettingList from './SettingList.vue'
import { useSettings } from './useSettings'

/** Every switch that the plan implies: read off, ticked, read back; the GNSS module and the compass; the sheet in one's own form. */
const props = defineProps<{
  id: string
  /** Which part is shown: sheet, read, gnss, compass, form. */
  part: string
  /** The setting that is looked at. */
  at: string | null
  /** True when only what is left to set is shown. */
  open: boolean
}>()
const route = useRoute()
const loaded = useSettings(() => props.id)
const { settings } = loaded
const shared = useStep({
  id: () => props.id,
  words: 'Settings',
  keys: {
    '1': () => show('sheet'),
    '2': () => show('read'),
    '3': () => show('gnss'),
    '4': () => show('compass'),
    '5': () => show('form'),
    arrowup: () => walk(-1),
    arrowdown: () => walk(1),
    d: done,
    o: () => void query({ open: props.open ? undefined : '1' }),
    p: () => print(),
  },
  list: [
    ['1 … 5', 'checklist, read back, GNSS, compass, template'],
    ['↑ ↓', 'previous, next setting'],
    ['D', 'mark set and go on; again to undo'],
    ['O', 'show remaining or all'],
    ['P', 'print checklist'],
  ],
  read: loaded.read,
})
const { build, view, keysOpen, query } = shared
const sheet = computed(() => loaded.view.value?.sheet)
const gnss = computed(() => loaded.view.value?.gnss ?? null)
const compass = computed(() => loaded.view.value?.compass ?? null)
const chosenSettings = computed<BuildSettings>(() => view.value?.setup.settings ?? {})
const left = computed(() => settings.value.filter((s) => !s.isDone))
const shown = computed(() => (props.open ? left.value : settings.value))
const chosen = computed(
  () =>
    settings.value.find((s) => s.key === props.at) ??
    settings.value.find((s) => s.link && s.link === route.query.link) ??
    left.value[0] ??
    settings.value[0],
)
const parts = computed(() => [
  { id: 'sheet', letter: '1', words: 'Checklist' },
  { id: 'read', letter: '2', words: 'Read back' },
  ...(gnss.value ? [{ id: 'gnss', letter: '3', words: 'GNSS' }] : []),
  ...(compass.value ? [{ id: 'compass', letter: '4', words: 'Compass' }] : []),
  { id: 'form', letter: '5', words: 'Template' },
])
const show = (part: string) => {
  if (parts.value.some((p) => p.id === part)) void query({ part })
}
async function go(key: string) {
  await query({ at: key })
  await nextTick()
  document
    .querySelector(`[data-setting="${CSS.escape(key)}"]`)
    ?.scrollIntoView({ block: 'nearest' })
}
function walk(by: number) {
  if (props.part !== 'sheet') return
  const i = shown.value.findIndex((s) => s.key === chosen.value?.key)
  const next = shown.value[Math.min(shown.value.length - 1, Math.max(0, i + by))]
  if (next) void go(next.key)
}
function done() {
  const now = chosen.value
  if (!now || props.part !== 'sheet') return
  const i = settings.value.findIndex((s) => s.key === now.key)
  const next = settings.value.slice(i + 1).find((s) => !s.isDone)
  void loaded.tick([now.key], !now.isDone)
  if (!now.isDone && next) void go(next.key)
}
function change(next: BuildSettings) {
  if (view.value) void build.setUp({ ...view.value.setup, settings: next })
}
const print = () => window.print()
</script>

<template>
  <main class="settings">
    <BuildBar v-if="view" :view="view" step="settings" />
    <StandingNote />
    <p v-if="!view && build.standing === 'loading'" class="quiet" role="status">Planning…</p>
    <template v-if="view">
      <BuildHead :view="view" :findings="sheet?.findings ?? []" @keys="keysOpen = true" />
      <ProblemNote
        v-if="loaded.problem.value"
        title="Could not load settings"
        :problem="loaded.problem.value"
      />
      <template v-if="sheet">
        <nav class="parts no-print" aria-label="Settings sections">
          <KeyButton
            v-for="p in parts"
            :key="p.id"
            :letter="p.letter"
            :pressed="part === p.id"
            :aria-pressed="part === p.id"
            :data-part="p.id"
            @click="show(p.id)"
            >{{ p.words }}</KeyButton
          >
        </nav>
        <div v-if="part === 'sheet'" class="columns">
          <div>
            <ul class="cautions" data-testid="cautions">
              <li v-for="c in sheet.cautions" :key="c">{{ c }}</li>
            </ul>
            <header class="order">
              <h2>Settings in order</h2>
              <span class="count" data-testid="count"
                >{{ settings.length - left.length }} of {{ settings.length }} set</span
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
                <KeyButton letter="P" data-do="print" @click="print">Print checklist</KeyButton>
              </span>
            </header>
            <p v-for="u in sheet.untouched" :key="u" class="untouched">{{ u }}</p>
            <SettingList
              :settings="settings"
              :shown="shown"
              :chosen="chosen?.key ?? null"
              @choose="go"
              @tick="(key, isDone) => loaded.tick([key], isDone)"
            />
            <p v-if="shown.length === 0" role="status" class="quiet" data-testid="all-set">
              {{
                settings.length === 0
                  ? 'Nothing to set: no device is connected.'
                  : 'All set. Read back to confirm.'
              }}
            </p>
          </div>
          <aside>
            <section class="how">
              <h2>Procedure</h2>
              <ol>
                <li v-for="o in sheet.order" :key="o">{{ o }}</li>
              </ol>
            </section>
            <ChoiceFields
              :settings="chosenSettings"
              :has-canvas="settings.some((s) => s.key === 'canvas.grid')"
              @change="change"
            />
            <ReturnList :sheet="sheet" />
          </aside>
        </div>
        <ReadBackPart
          v-else-if="part === 'read'"
          :build="id"
          :texts="loaded.view.value?.texts ?? []"
          :firmware="loaded.view.value?.firmware ?? null"
          @kept="loaded.read()"
          @clean="(keys) => loaded.tick(keys, true)"
        />
        <GnssPart
          v-else-if="part === 'gnss' && gnss"
          :gnss="gnss"
          @hertz="(gnssHertz) => change({ ...chosenSettings, gnssHertz })"
          @generation="(generation) => change({ ...chosenSettings, gnss: generation })"
          @way="(gnssSetup) => change({ ...chosenSettings, gnssSetup })"
        />
        <CompassPart
          v-else-if="part === 'compass' && compass"
          :compass="compass"
          :settings="chosenSettings"
          :declination="settings.find((s) => s.key === 'compass.declination') ?? null"
          @change="change"
        />
        <FormPart
          v-else-if="part === 'form'"
          :build="id"
          :form="loaded.view.value?.form ?? ''"
          :pattern="loaded.view.value?.pattern ?? null"
          :firmware="loaded.view.value?.firmware ?? null"
          @kept="loaded.read()"
        />
        <p v-else class="quiet" data-testid="no-part">
          {{
            part === 'gnss'
              ? 'No GNSS module is connected.'
              : part === 'compass'
                ? 'No compass is connected.'
                : 'This section does not exist.'
          }}
          <a href="?part=sheet" @click.prevent="show('sheet')">Go to checklist</a>
        </p>
      </template>
      <v-skeleton-loader v-else-if="!loaded.problem.value" type="article@2" />
    </template>
    <KeysDialog v-model="keysOpen" :keys="shared.keyList" />
  </main>
</template>

<style scoped>
.settings {
  padding: 0 24px 32px;
}

.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 10px 0 12px;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 7fr) minmax(0, 6fr);
  gap: 28px;
  align-items: start;
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
  gap: 8px;
}

h2 {
  margin-bottom: 4px;
  font-size: 1.25rem;
  font-weight: 650;
}

.cautions {
  margin: 0 0 10px;
  padding: 0 0 0 12px;
  border-left: 3px solid var(--warn);
  list-style: none;
}

.untouched {
  padding-left: 12px;
  border-left: 3px solid var(--line);
  color: var(--ink-2);
}

.how {
  margin-bottom: 20px;
}

.how ol {
  margin: 0;
  padding-left: 22px;
}

.how li {
  padding: 2px 0;
}

@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}

@media print {
  .settings {
    padding: 0;
  }

  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
