<script setup lang="ts">
import { mdiExport } from '@mdi/js'
import { computed, ref, shallowRef, watch } from 'vue'
import {
  api,
  ask,
  type DiffLine,
  type EntryKind,
  type LogEntry,
  type MomentsView,
  who,
} from '@/api/client'
import { limits } from '@/api/limits'
import StepFrame from '@/features/build/StepFrame.vue'
import { useStep } from '@/features/build/useStep'
import LineField from '@/ui/LineField.vue'
import MenuButton from '@/ui/MenuButton.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import DiffLines from './DiffLines.vue'
import DifferencePanel from './DifferencePanel.vue'
import DueList from './DueList.vue'
import LogEntries from './LogEntries.vue'
import NoteForm from './NoteForm.vue'
import { kindsOf, useLog } from './useLog'
import { usePlaces } from './usePlaces'

/** What happened to a build, one time line: changes, readings, texts, photos, notes; two moments compared; what is due. */
const props = defineProps<{
  id: string
  /** Two versions that are compared. */
  from: number | null
  to: number | null
  /** Kinds that are shown; all where none is named. */
  kinds: string[]
}>()

const only = computed(() => props.kinds.filter((k): k is EntryKind => k in kindsOf))
const log = useLog(
  () => props.id,
  () => only.value,
)
const moments = shallowRef<MomentsView | null>(null)
const lines = shallowRef<DiffLine[] | null>(null)
const refused = shallowRef<{
  title: string
  problem: NonNullable<typeof log.problem.value>
} | null>(null)
const name = ref(who.get())
const step = useStep({
  id: () => props.id,
  name: 'log',
  keys: {
    n: () => document.querySelector<HTMLElement>('[data-field="note"] textarea')?.focus(),
    b: () => window.open(`/api/builds/${props.id}/book.html`, '_blank'),
  },
  list: [
    ['N', 'write a note'],
    ['B', 'open the build book'],
  ],
  read: () => log.read(),
})
const { view, query } = step
const places = usePlaces(() => view.value)

watch(only, () => void log.read())
watch(
  () => [props.id, props.from, props.to, view.value?.version] as const,
  async ([id, from, to]) => {
    moments.value = null
    refused.value = null
    if (from === null || to === null) return
    const { data, problem } = await ask(() =>
      api.GET('/api/builds/{id}/log/compare', { params: { path: { id }, query: { from, to } } }),
    )
    if (id !== props.id || from !== props.from || to !== props.to) return
    moments.value = data
    if (problem) refused.value = { title: 'Could not compare', problem }
  },
  { immediate: true },
)

const papers = computed(() => {
  const of = `/api/builds/${props.id}`
  return [
    { words: 'Build book', about: 'everything on paper', href: `${of}/book.html`, page: true },
    {
      words: 'Bench sheet',
      about: 'empty columns, for the bench',
      href: `${of}/bench-sheet.html`,
      page: true,
    },
    { words: 'Share copy', about: 'HTML, without the log', href: `${of}/share.html` },
    { words: 'Full record', about: 'ZIP, with photos and dumps', href: `${of}/record.zip` },
    { words: 'Readings', about: 'CSV', href: `${of}/log.csv` },
    { words: 'Log', about: 'JSON', href: `${of}/log.json` },
  ]
})
const changes = computed(() =>
  log.entries.value
    .filter((e) => e.kind === 'change')
    .map((e) => ({ title: `${e.number}: ${e.words}`, value: e.number })),
)
function toggle(kind: EntryKind) {
  const next = only.value.includes(kind)
    ? only.value.filter((k) => k !== kind)
    : [...only.value, kind]
  void query({ kind: next.join(',') || undefined })
}
async function restore(moment: number) {
  const version = view.value?.version
  if (version === undefined) return
  const { problem } = await ask(() =>
    api.POST('/api/builds/{id}/log/restore', {
      params: { path: { id: props.id } },
      body: { version, moment },
    }),
  )
  refused.value = problem ? { title: 'Version not restored', problem } : null
  await step.build.open(props.id)
}
async function compareText(number: number) {
  const texts = log.entries.value.filter((e) => e.kind === 'text')
  const older = texts[texts.findIndex((e) => e.number === number) + 1]
  if (!older) {
    lines.value = []
    return
  }
  const { data, problem } = await ask(() =>
    api.GET('/api/builds/{id}/log/texts', {
      params: { path: { id: props.id }, query: { from: older.number, to: number } },
    }),
  )
  lines.value = data
  refused.value = problem ? { title: 'Could not compare', problem } : null
}
const due = computed(() => log.view.value?.dues.filter((d) => d.isDue).length ?? 0)
const lead = computed(() => (due.value > 0 ? `${due.value} due` : 'Nothing due'))
const remove = (entry: LogEntry) => void log.remove(entry)
</script>

<template>
  <StepFrame :shared="step" :lead="lead" :problem="log.problem.value" problem-title="Not saved">
    <template v-if="view">
      <ProblemNote v-if="refused" :title="refused.title" :problem="refused.problem" />
      <div class="columns">
        <div>
          <div v-if="from !== null && to !== null" class="pick no-print">
            <LineField v-slot="{ id: field }" label="From">
              <v-select
                :id="field"
                data-field="from"
                :items="changes"
                :model-value="from"
                @update:model-value="(v: number) => query({ from: String(v) })"
              />
            </LineField>
            <LineField v-slot="{ id: field }" label="To">
              <v-select
                :id="field"
                data-field="to"
                :items="changes"
                :model-value="to"
                @update:model-value="(v: number) => query({ to: String(v) })"
              />
            </LineField>
          </div>
          <DifferencePanel
            v-if="moments"
            :moments="moments"
            @close="query({ from: undefined, to: undefined })"
          />
          <section v-if="lines" class="texts" data-testid="text-lines">
            <header>
              <h2>Compared with previous dump</h2>
              <v-btn variant="text" size="small" @click="lines = null">Close</v-btn>
            </header>
            <p v-if="lines.length === 0" role="status">No earlier dump to compare with.</p>
            <p v-else-if="lines.every((l) => l.fate === 'same')" role="status">No differences.</p>
            <DiffLines v-else :lines="lines" />
          </section>
          <header class="order">
            <h2>Timeline</h2>
            <MenuButton
              class="no-print"
              variant="outlined"
              data-do="papers"
              label="Print and export"
              :sign="mdiExport"
              :items="papers"
            />
            <span class="kinds no-print">
              <v-btn
                v-for="(k, kind) in kindsOf"
                :key="kind"
                size="small"
                :variant="only.includes(kind) ? 'flat' : 'outlined'"
                :aria-pressed="only.includes(kind)"
                :data-kind="kind"
                @click="toggle(kind)"
                >{{ k.words }} {{ log.view.value?.counts[kind] ?? '' }}</v-btn
              >
            </span>
          </header>
          <LogEntries
            :build="id"
            :entries="log.entries.value"
            :newest="view.version"
            :places="places"
            @compare="(v) => query({ from: String(v), to: String(view?.version) })"
            @restore="restore"
            @text="compareText"
            @remove="remove"
            @strike="log.strike"
          />
          <p v-if="log.view.value && log.entries.value.length === 0" class="quiet" role="status">
            No entries.
          </p>
          <p v-if="log.view.value?.older" class="older">
            <v-btn data-do="older" @click="log.read(true)">Load older</v-btn>
          </p>
        </div>
        <aside class="no-print">
          <LineField v-slot="{ id: field }" label="Your name" class="who">
            <v-text-field
              :id="field"
              v-model="name"
              data-field="who"
              :maxlength="limits.person"
              placeholder="shown in the log; no account"
              @change="who.set(name)"
            />
          </LineField>
          <NoteForm
            :places="places"
            :busy="log.busy.value"
            @note="(words, tied, tiedId) => log.write({ kind: 'note', words, tied, tiedId })"
            @photo="log.photo"
            @flights="(flights) => log.write({ kind: 'flight', flights })"
          />
          <DueList
            v-if="log.view.value"
            class="dues"
            :dues="log.view.value.dues"
            :usual="log.view.value.usual ?? []"
            :busy="log.busy.value"
            :put="log.put"
            @done="(interval) => log.write({ kind: 'done', interval })"
          />
        </aside>
      </div>
    </template>
  </StepFrame>
</template>

<style scoped>
.columns {
  --columns: minmax(0, 7fr) minmax(0, 4fr);
}

.order,
.texts header {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  justify-content: space-between;
  margin-bottom: 8px;
}

.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.pick {
  display: flex;
  gap: 12px;
}

.texts {
  margin: 8px 0 16px;
  padding: 10px 14px;
  border: 1px solid var(--ink);
  background: var(--sheet);
}

.dues {
  margin-top: 20px;
}

.who {
  margin-bottom: 8px;
}

.older {
  margin-top: 12px;
}
</style>
