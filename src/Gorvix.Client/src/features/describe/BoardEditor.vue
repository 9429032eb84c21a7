<script setup lang="ts">
import { useTitle } from '@vueuse/core'
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type Board, type BoardChoices, type LeafletStep } from '@/api/client'
import BoardFace from '@/features/board/BoardFace.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import { useScreenKeys } from '@/ui/useScreenKeys'
import { useLibrary } from '@/stores/library'
import BetweenStep from './BetweenStep.vue'
import ClassStep from './ClassStep.vue'
import IdentityStep from './IdentityStep.vue'
import LeafletPane from './LeafletPane.vue'
import LineTyper from './LineTyper.vue'
import PadListReader from './PadListReader.vue'
import PadPutter from './PadPutter.vue'
import PadPanel from './PadPanel.vue'
import PadsStep from './PadsStep.vue'
import PhotoPanel from './PhotoPanel.vue'
import PortsStep from './PortsStep.vue'
import PresetList from './PresetList.vue'
import SaveBox from './SaveBox.vue'
import StepNotes from './StepNotes.vue'
import SupplyStep from './SupplyStep.vue'
import { useBoardPhotos } from './useBoardPhotos'
import { useBoardDraft } from './useBoardDraft'

/** A board described in the order in which its leaflet is read, the face growing beside it. */
const props = defineProps<{ id: string | null; from: string | null }>()
const router = useRouter()
const library = useLibrary()
const draft = useBoardDraft(props.id, props.from)
const photos = useBoardPhotos(props.id)
const { look, part: board, notesAt, change, add, preview } = draft
const choices = shallowRef<BoardChoices | null>(null)
const chosen = ref<string | null>(null)
const asText = ref(draft.text.value !== null)
const busy = ref(false)
const page = useTemplateRef<HTMLElement>('page')

void ask(() => api.GET('/api/describe/board/choices')).then(({ data, problem }) => {
  choices.value = data
  draft.problem.value ??= problem
})

const steps: { step: LeafletStep; title: string; about: string }[] = [
  {
    step: 'identity',
    title: 'Board',
    about: 'Check the revision: pads can differ under the same name.',
  },
  {
    step: 'supply',
    title: 'Power input and rails',
    about: 'Input range, then voltage and limit of each rail.',
  },
  { step: 'controller', title: 'Controller', about: '' },
  {
    step: 'pads',
    title: 'Pads and sockets',
    about: 'As printed, front to rear or left to right.',
  },
  {
    step: 'between',
    title: 'Inverters, jumpers and dividers',
    about: 'What sits between a pad and its UART or rail.',
  },
  {
    step: 'ports',
    title: 'In use on the board',
    about: 'UARTs used internally, by USB, or sharing pins with a bus.',
  },
]
const edges = [
  { value: null, title: 'unknown' },
  ...['front', 'right', 'rear', 'left'].map((e) => ({ value: e, title: `${e} edge` })),
]
const open = (step: LeafletStep) => notesAt(step).filter((n) => n.severity !== 'note').length
/** What there is to say at a step: doubtful pads stand in a list of their own, and an empty leaflet is not scolded. */
const shown = (step: LeafletStep) =>
  notesAt(step).filter(
    (n) =>
      (draft.begun.value || n.severity === 'note') &&
      !(n.severity === 'warn' && n.field.startsWith('pads[')),
  )
const stops = computed(() => look.value?.notes.filter((n) => n.severity === 'stop').length ?? 0)
const pad = computed(() => look.value?.pads.find((p) => p.id === chosen.value))
const name = computed(() => {
  const b = board.value
  return b && (b.maker || b.name) ? `${b.maker} ${b.name}`.trim() : 'New board'
})

function move(id: string, x: number, y: number) {
  void change((b) => ({ ...b, pads: b.pads.map((p) => (p.id === id ? { ...p, x, y } : p)) }))
}
/** The jumper whose place is being picked on the drawing. */
const picking = ref<string | null>(null)
function pick(jumper: string | null) {
  picking.value = jumper
  if (jumper) page.value?.querySelector('.drawing')?.scrollIntoView({ block: 'nearest' })
}
/** The labels of the row that is put down by clicking, and where its first pad lies. */
const row = ref<{ labels: string[]; first: { x: number; y: number } | null } | null>(null)
const rowWrong = ref<string | null>(null)
const rowText = ref('')
const left = computed(() =>
  row.value ? (row.value.labels.length > 1 && !row.value.first ? 2 : 1) : null,
)
/** What the next click on the board puts there. */
const laying = computed(() => {
  if (picking.value || !row.value) return picking.value
  const { labels, first } = row.value
  return (first ? labels.at(-1) : labels[0]) ?? null
})
function beginRow(labels: string[]) {
  picking.value = null
  rowWrong.value = null
  row.value = { labels, first: null }
  page.value?.querySelector('.drawing')?.scrollIntoView({ block: 'nearest' })
}
async function putRow(side: 'top' | 'bottom', x: number, y: number) {
  const now = row.value
  if (!now) return
  if (now.labels.length > 1 && !now.first) {
    row.value = { ...now, first: { x, y } }
    return
  }
  row.value = null
  const seen = await draft.put(now.labels, side, now.first ?? { x, y }, { x, y })
  rowWrong.value = seen?.problems[0]?.sentence ?? null
  if (seen && !rowWrong.value) rowText.value = ''
}
function lay(side: 'top' | 'bottom', x: number, y: number) {
  if (row.value) {
    void putRow(side, x, y)
    return
  }
  const jumper = picking.value
  picking.value = null
  void change((b) => ({
    ...b,
    jumpers: (b.jumpers ?? []).map((j) => (j.id === jumper ? { ...j, place: { side, x, y } } : j)),
  }))
}
/** Nothing is laid on it yet: then a preset can be chosen. */
const isBlank = computed(() => !props.id && !props.from && board.value?.pads.length === 0)
function begin(id: string) {
  const preset = choices.value?.presets.find((p) => p.id === id)
  if (preset) void add(preset.lines)
}
function lines(text: string) {
  void add(text)
}
function edit(next: (b: Board) => Board) {
  void change(next)
}
async function choose(id: string) {
  chosen.value = id
  await nextTick()
  page.value?.querySelector('[data-testid="pad-panel"]')?.scrollIntoView({ block: 'nearest' })
}
/** The board is saved and its photo was not. */
let savedAs: string | null = null
async function save() {
  busy.value = true
  const id = savedAs ?? (props.id !== null && !draft.begun.value ? props.id : await draft.save())
  const whole = id !== null && (await photos.save(id))
  busy.value = false
  if (!id) return
  if (!whole) {
    // What is left to be saved is the photo.
    savedAs = id
    draft.problem.value = photos.problem.value
    return
  }
  await library.load()
  await router.push({ name: 'part', params: { type: 'boards', id } })
}
function go(step: LeafletStep) {
  page.value?.querySelector<HTMLElement>(`[data-step="${step}"]`)?.scrollIntoView()
  page.value
    ?.querySelector<HTMLElement>(`[data-step="${step}"] input, [data-step="${step}"] button`)
    ?.focus({ preventScroll: true })
}
useScreenKeys({ z: () => void draft.undo(), escape: () => (pick(null), (row.value = null)) })
// A new leaflet is begun with its first word.
watch(
  () => look.value !== null && choices.value !== null,
  async (ready) => {
    if (!ready || props.id || draft.begun.value) return
    await nextTick()
    page.value?.querySelector<HTMLElement>('[data-field="maker"] input')?.focus()
  },
  { immediate: true },
)
watch(asText, (now) => {
  if (!now) draft.leaveText()
})
useTitle(computed(() => `${name.value} – Board editor – Gorvix`))
</script>

<template>
  <main ref="page" class="describe">
    <p class="back"><RouterLink :to="{ name: 'library' }">Parts library</RouterLink></p>
    <div class="top">
      <h1>{{ id ? `Edit ${name}` : name }}</h1>
      <div class="tools">
        <v-btn size="small" :disabled="!draft.canUndo.value" data-do="undo" @click="draft.undo"
          >Undo <v-kbd>Z</v-kbd></v-btn
        >
        <v-btn size="small" :aria-pressed="asText" data-do="text" @click="asText = !asText">{{
          asText ? 'Edit as steps' : 'Edit as text'
        }}</v-btn>
      </div>
    </div>
    <ProblemNote
      v-if="!look && draft.problem.value"
      title="Could not load board"
      :problem="draft.problem.value"
    >
      <v-btn :to="{ name: 'library' }">Back to library</v-btn>
    </ProblemNote>
    <template v-if="look && board && choices">
      <nav v-if="!asText" class="rail no-print" aria-label="Board steps">
        <button v-for="(s, i) in steps" :key="s.step" type="button" @click="go(s.step)">
          <span class="number">{{ i + 1 }}</span> {{ s.title }}
          <span
            v-if="draft.begun.value && open(s.step) > 0"
            class="open"
            :aria-label="`${open(s.step)} to fix`"
            >{{ open(s.step) }}</span
          >
        </button>
      </nav>
      <div class="columns">
        <LeafletPane
          v-if="asText"
          :text="draft.text.value ?? look.text"
          :problems="draft.answer.value?.problems ?? []"
          :notes="look.notes"
          @write="draft.write"
        />
        <div v-else class="steps">
          <section v-if="isBlank" data-step="preset">
            <h2>Choose a preset</h2>
            <p class="quiet small">
              Presets fill in a typical layout. Confirm each socket pin and correct the rest from
              the manual, or start from nothing below.
            </p>
            <PresetList :presets="choices.presets" @choose="begin" />
          </section>
          <section v-for="(s, i) in steps" :key="s.step" :data-step="s.step">
            <h2>
              <span class="number">{{ i + 1 }}</span> {{ s.title }}
            </h2>
            <p v-if="s.about" class="quiet small">{{ s.about }}</p>
            <IdentityStep
              v-if="s.step === 'identity'"
              :board="board"
              :edges="edges"
              @change="edit"
            />
            <template v-else-if="s.step === 'supply'">
              <SupplyStep :board="board" @change="edit" />
              <LineTyper
                label="Or type"
                field="supply-line"
                example="rail 9V: 9 V regulator, up to 1.5 A, filtered"
                :preview="preview"
                :add="add"
              />
            </template>
            <ClassStep
              v-else-if="s.step === 'controller'"
              :board="board"
              :classes="choices.classes"
              :implied="look.implied"
              @lines="lines"
            />
            <template v-else-if="s.step === 'pads'">
              <LineTyper
                label="Pad row or socket"
                field="pads-line"
                example="top left: R1 T1 5V G   or   AIR (1.25 mm) bottom front: BAT G T3 R3"
                :preview="preview"
                :add="add"
              />
              <PadPutter v-model="rowText" :left="left" @begin="beginRow" @cancel="row = null" />
              <p v-if="rowWrong" class="wrong" role="alert">{{ rowWrong }}</p>
              <PadListReader :list="draft.list" />
              <PadsStep
                :board="board"
                :pads="look.pads"
                :chosen="chosen"
                @choose="choose"
                @lines="lines"
              />
            </template>
            <BetweenStep
              v-else-if="s.step === 'between'"
              :board="board"
              :pads="look.pads"
              :patterns="choices.patterns"
              :add="add"
              :picking="picking"
              @choose="choose"
              @change="edit"
              @pick="pick"
            />
            <template v-else>
              <PortsStep :board="board" @change="edit" />
              <LineTyper
                label="Or type"
                field="ports-line"
                example='port I2C1 bus: SDA SCL, address 0x76 "the barometer"'
                :preview="preview"
                :add="add"
              />
            </template>
            <StepNotes :notes="shown(s.step)" />
          </section>
        </div>
        <aside>
          <BoardFace
            class="drawing"
            :face="look.face"
            :name="name"
            :lit="chosen ? [chosen] : []"
            movable
            :picking="laying"
            :own="photos.own.value"
            @pad="chosen = $event"
            @move="move"
            @spot="lay"
          />
          <PhotoPanel :photos="photos" :face="look.face" :is-sized="Boolean(board.outline)" />
          <PadPanel
            v-if="pad"
            :key="pad.id"
            :board="board"
            :look="pad"
            :add="add"
            @change="edit"
            @close="chosen = null"
          />
          <SaveBox
            :is-new="!id"
            hint="Start with the name, the pads, or pasted board text."
            :usable="look.usable && (draft.answer.value?.problems.length ?? 0) === 0"
            :stops="stops + (draft.answer.value?.problems.length ?? 0)"
            :touched="draft.touched.value"
            :problem="draft.problem.value"
            :begun="draft.begun.value || photos.isChanged.value"
            :busy="busy"
            @save="save"
            @reset="((chosen = null), photos.forget(), draft.reset())"
            @adopt="draft.adopt"
          />
        </aside>
      </div>
    </template>
    <v-skeleton-loader v-else-if="!draft.problem.value" type="article@2" />
  </main>
</template>

<style scoped src="./describe.css"></style>
<style scoped>
.rail {
  display: flex;
  flex-wrap: wrap;
  margin-top: 10px;
  border: 1px solid var(--line);
  background: var(--sheet);
}

.rail button {
  flex: 1 1 auto;
  min-height: 40px;
  padding: 4px 12px;
  border: 0;
  border-right: 1px solid var(--line-faint);
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  white-space: nowrap;
  cursor: pointer;
}

.rail button:hover {
  background: var(--ground);
}

.open {
  padding: 0 5px;
  border: 1px solid var(--warn);
  color: var(--warn);
  font-size: 0.875rem;
  font-weight: 600;
}
</style>
