<script setup lang="ts">
import { useEventListener, useTitle } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { DraftLink, Priority, Unfit } from '@/api/client'
import { useLibrary } from '@/stores/library'
import LineField from '@/ui/LineField.vue'
import PriorityToggle from '@/ui/PriorityToggle.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import VerdictMark from '@/ui/VerdictMark.vue'
import { useDraft } from './useDraft'

/** From nothing to a plan: board, devices, pack, wishes. At each choice, what would burn is the first thing said. */
const router = useRouter()
const library = useLibrary()
const { choices, lines } = storeToRefs(library)
const { draft, look, fits, problem, making, make, reset } = useDraft()
const page = useTemplateRef<HTMLElement>('page')
const devicePicked = ref<string | null>(null)
const search = ref('')
/** A choice that would burn and was not taken; the builder may insist. */
const refused = ref<{
  of: 'board' | 'device' | 'pack'
  id: string
  name: string
  why: string
} | null>(null)

const board = computed(() => choices.value?.boards.find((b) => b.id === draft.value.board))
const revisions = computed(() => {
  const own = lines.value?.find((l) => l.id === draft.value.board)
  const family = own?.name.split(', revision ')[0]
  const alike = (lines.value ?? []).filter(
    (l) => l.isBoard && l.name.split(', revision ')[0] === family,
  )
  return alike.length < 2 ? [] : alike
})
const notesOf = (id: string) => choices.value?.boards.find((b) => b.id === id)?.notes ?? []

function itemsOf(isBoard: boolean, unfit: Unfit[]) {
  return (lines.value ?? [])
    .filter((l) => l.isBoard === isBoard)
    .map((l) => ({
      value: l.id,
      title: l.name,
      words: `${l.name} ${l.kind} ${l.brief}`,
      props: {
        subtitle: [isBoard ? '' : l.kind, l.brief].filter(Boolean).join(' · '),
        unfit: unfit.find((u) => u.id === l.id),
      },
    }))
}
const boards = computed(() => itemsOf(true, fits.value.boards))
const devices = computed(() => itemsOf(false, fits.value.devices))
// By any of its words, in any order.
const matches = (_: string, query: string, item?: { raw: { words: string } }) =>
  query
    .toLowerCase()
    .split(/\s+/)
    .every((word) => item?.raw.words.toLowerCase().includes(word) === true)

const cells = computed(() =>
  (choices.value?.pack.cells ?? []).map((c) => ({
    value: c.value,
    title: c.words,
    props: { unfit: look.value?.packs.find((u) => u.id === c.value) },
  })),
)
const chemistry = computed(
  () => draft.value.pack?.chemistry ?? choices.value?.pack.chemistries[0]?.value,
)

/** The devices, those of one part together. */
const taken = computed(() =>
  [...new Set(draft.value.devices)].map((part) => ({
    part,
    name: library.line(part)?.name ?? part,
    kind: library.line(part)?.kind ?? '',
    count: draft.value.devices?.filter((d) => d === part).length ?? 0,
    unfit: fits.value.devices.find((u) => u.id === part),
  })),
)

function burns(unfit: Unfit | undefined) {
  return unfit?.severity === 'stop' ? unfit.sentence : null
}
function takeBoard(id: string | null) {
  const why = burns(fits.value.boards.find((u) => u.id === id))
  if (id && why) refused.value = { of: 'board', id, name: library.line(id)?.name ?? id, why }
  else if (id) setBoard(id)
}
function setBoard(id: string) {
  draft.value = { ...draft.value, board: id }
  refused.value = null
}
function takeDevice(id: string | null) {
  if (!id) return
  const why = burns(fits.value.devices.find((u) => u.id === id))
  if (why) refused.value = { of: 'device', id, name: library.line(id)?.name ?? id, why }
  else setDevice(id)
  // The field is ready for the next one.
  void nextTick(() => {
    devicePicked.value = null
    search.value = ''
  })
}
function setDevice(id: string) {
  draft.value = { ...draft.value, devices: [...(draft.value.devices ?? []), id] }
  refused.value = null
}
function lessOf(part: string) {
  const list = draft.value.devices ?? []
  const at = list.lastIndexOf(part)
  draft.value = {
    ...draft.value,
    devices: list.filter((_, i) => i !== at),
    wishes: (draft.value.wishes ?? [])
      .filter((w) => w.device !== at)
      .map((w) => (w.device > at ? { ...w, device: w.device - 1 } : w)),
  }
}
function takePack(id: string | null) {
  const why = burns(look.value?.packs.find((u) => u.id === id))
  if (id && why) refused.value = { of: 'pack', id, name: `${id}S`, why }
  else if (id) setPack(id)
}
function setPack(id: string) {
  draft.value = {
    ...draft.value,
    pack: { cells: Number(id), chemistry: chemistry.value as 'lithium' },
  }
  refused.value = null
}
function setChemistry(value: string) {
  if (draft.value.pack)
    draft.value = { ...draft.value, pack: { ...draft.value.pack, chemistry: value as 'lithium' } }
}
function insist() {
  const at = refused.value
  if (at?.of === 'board') setBoard(at.id)
  else if (at?.of === 'device') setDevice(at.id)
  else if (at) setPack(at.id)
}
function wish(link: DraftLink, priority: Priority | null) {
  const others = (draft.value.wishes ?? []).filter(
    (w) => w.device !== link.device || w.function !== link.function,
  )
  draft.value = {
    ...draft.value,
    wishes: [...others, { device: link.device, function: link.function, priority }],
  }
}

async function finish() {
  if (!draft.value.board || making.value) return
  const id = await make()
  if (id) await router.push({ name: 'fit', params: { id } })
}
// From any field: the plan is one stroke away.
useEventListener('keydown', (event: KeyboardEvent) => {
  if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) void finish()
})

useTitle('New build – Gorvix')
onMounted(async () => {
  await library.load()
  await nextTick()
  page.value?.querySelector<HTMLElement>('[data-field="board"] input')?.focus()
})
watch(
  () => refused.value,
  async (now) => {
    await nextTick()
    if (now) document.getElementById('refused')?.scrollIntoView({ block: 'nearest' })
  },
)
</script>

<template>
  <main ref="page" class="new">
    <h1>New build</h1>
    <ProblemNote
      v-if="library.problem"
      class="gap"
      title="The library cannot be read"
      :problem="library.problem"
    >
      <v-btn @click="library.load">Try again</v-btn>
    </ProblemNote>
    <v-empty-state v-if="lines?.length === 0" justify="start">
      <template #title><h2>The library has no part yet</h2></template>
      <p>Import a build file on the shelf: it brings the parts that it uses.</p>
      <v-btn to="/">To the shelf</v-btn>
    </v-empty-state>
    <div v-else class="columns">
      <div class="choices">
        <section>
          <h2><span class="step">1</span> Board</h2>
          <LineField v-slot="{ id }" label="Search the library by maker, name, class or port">
            <v-autocomplete
              :id="id"
              data-field="board"
              :items="boards"
              :custom-filter="matches as never"
              :model-value="draft.board"
              placeholder="such as F7"
              auto-select-first
              @update:model-value="takeBoard"
            >
              <template #item="{ props: item }">
                <v-list-item v-bind="item" :unfit="undefined">
                  <p v-if="item.unfit" class="unfit" :class="(item.unfit as Unfit).severity">
                    {{ (item.unfit as Unfit).sentence }}
                  </p>
                </v-list-item>
              </template>
            </v-autocomplete>
          </LineField>
          <v-radio-group
            v-if="revisions.length > 0"
            class="revisions"
            label="Which revision do you hold?"
            data-field="revision"
            :model-value="draft.board"
            @update:model-value="takeBoard"
          >
            <v-radio v-for="r in revisions" :key="r.id" :value="r.id">
              <template #label>
                <span
                  ><strong>{{ r.name.split(', ').at(-1) }}</strong
                  >: {{ notesOf(r.id)[0] ?? 'the leaflet does not say how to tell it' }}</span
                >
              </template>
            </v-radio>
          </v-radio-group>
          <template v-else>
            <p v-for="note in board?.notes" :key="note" class="quiet small">{{ note }}</p>
          </template>
        </section>

        <section>
          <h2><span class="step">2</span> Devices</h2>
          <LineField
            v-slot="{ id }"
            label="Search by kind, maker, name or protocol; one after the other"
          >
            <v-autocomplete
              :id="id"
              v-model:search="search"
              data-field="devices"
              :items="devices"
              :custom-filter="matches as never"
              :model-value="devicePicked"
              placeholder="such as receiver, CRSF, GNSS"
              auto-select-first
              @update:model-value="takeDevice"
            >
              <template #item="{ props: item }">
                <v-list-item v-bind="item" :unfit="undefined">
                  <p v-if="item.unfit" class="unfit" :class="(item.unfit as Unfit).severity">
                    {{ (item.unfit as Unfit).sentence }}
                  </p>
                </v-list-item>
              </template>
            </v-autocomplete>
          </LineField>
          <ul v-if="taken.length > 0" class="taken">
            <li v-for="device in taken" :key="device.part" :data-taken="device.part">
              <span class="name"
                >{{ device.name }} <span class="quiet">{{ device.kind }}</span>
                <span v-if="device.unfit" class="unfit" :class="device.unfit.severity">{{
                  device.unfit.sentence
                }}</span></span
              >
              <v-btn
                size="small"
                :aria-label="`One ${device.name} less`"
                @click="lessOf(device.part)"
                >−</v-btn
              >
              <span class="count label">{{ device.count }}</span>
              <v-btn
                size="small"
                :aria-label="`One ${device.name} more`"
                @click="setDevice(device.part)"
                >+</v-btn
              >
            </li>
          </ul>
        </section>

        <section>
          <h2><span class="step">3</span> Pack</h2>
          <div class="row">
            <LineField v-slot="{ id }" label="Pack">
              <v-autocomplete
                :id="id"
                data-field="cells"
                :items="cells"
                :model-value="draft.pack ? String(draft.pack.cells) : null"
                placeholder="not chosen yet"
                auto-select-first
                @update:model-value="takePack"
              >
                <template #item="{ props: item }">
                  <v-list-item v-bind="item" :unfit="undefined">
                    <p v-if="item.unfit" class="unfit stop">
                      {{ (item.unfit as Unfit).sentence }}
                    </p>
                  </v-list-item>
                </template>
              </v-autocomplete>
            </LineField>
            <LineField v-slot="{ id }" label="Cells">
              <v-select
                :id="id"
                data-field="chemistry"
                :items="choices?.pack.chemistries ?? []"
                item-title="words"
                :disabled="!draft.pack"
                :model-value="chemistry"
                @update:model-value="setChemistry"
              />
            </LineField>
          </div>
          <p v-if="!draft.pack" class="quiet small">
            Until it is chosen, supplies that hang on it are not judged.
          </p>
        </section>

        <section v-if="look && look.wishes.length > 0">
          <h2><span class="step">4</span> Wishes</h2>
          <p class="quiet small">
            By need: control first, then picture, position and telemetry; comforts last. Change what
            you see otherwise.
          </p>
          <ul class="wishes">
            <li v-for="link in look.wishes" :key="`${link.device} ${link.function}`">
              <span class="name"
                >{{ link.need }} <span class="quiet">{{ link.of }}</span></span
              >
              <PriorityToggle
                v-if="choices"
                :priorities="choices.priorities"
                :name="`${link.need} of ${link.of}`"
                :tag="`${link.device} ${link.function}`"
                :model-value="link.priority ?? null"
                @update:model-value="wish(link, $event)"
              />
            </li>
          </ul>
        </section>
      </div>

      <aside class="so-far" aria-label="What it comes to so far">
        <h2>So far</h2>
        <div v-if="refused" id="refused" class="refused" role="alert">
          <p>
            <strong>{{ refused.name }} was not taken.</strong> {{ refused.why }}
          </p>
          <v-btn size="small" variant="text" data-insist @click="insist"
            >Take it all the same</v-btn
          >
          <v-btn size="small" variant="text" @click="refused = null">Leave it</v-btn>
        </div>
        <p v-if="!draft.board" class="quiet">
          Choose the board first: what fits is told for each part from then on.
        </p>
        <template v-else-if="look?.verdict">
          <p v-for="stop in look.stops" :key="stop" class="stop-line">Stop: {{ stop }}</p>
          <p class="verdict" aria-live="polite">
            <VerdictMark :severity="look.verdict.severity" :size="20" />
            <span v-if="look.stops.length > 0" data-testid="so-far"
              >{{ look.verdict.carried }} of {{ look.verdict.wanted }} links carried.</span
            >
            <span v-else data-testid="so-far">{{ look.verdict.sentence }}</span>
          </p>
          <dl class="places">
            <div
              v-for="link in look.wishes.filter((w) => w.priority)"
              :key="`${link.device} ${link.function}`"
              :class="{ none: !link.port }"
            >
              <dt>{{ link.need }}</dt>
              <dd class="label">{{ link.port ?? 'none' }}</dd>
            </div>
          </dl>
        </template>
        <ProblemNote
          v-if="problem"
          :title="problem.status === 0 ? 'Nothing is lost' : 'That cannot be'"
          :problem="problem"
        />
        <LineField v-slot="{ id }" label="Name">
          <v-text-field
            :id="id"
            v-model="draft.name"
            data-field="name"
            dir="auto"
            maxlength="120"
            :placeholder="look?.name ?? 'the board’s name'"
            persistent-placeholder
          />
        </LineField>
        <v-btn
          id="make"
          color="primary"
          variant="flat"
          :disabled="!draft.board"
          :loading="making"
          @click="finish"
          >Make the build<v-kbd aria-hidden="true">Ctrl Enter</v-kbd></v-btn
        >
        <v-btn
          v-if="draft.board || (draft.devices ?? []).length > 0"
          variant="text"
          size="small"
          @click="reset"
          >Begin again</v-btn
        >
      </aside>
    </div>
  </main>
</template>

<style scoped>
.new {
  padding: 16px 24px 32px;
}

h1 {
  font-size: 1.75rem;
  font-weight: 650;
  line-height: 1.2;
}

.gap {
  margin: 12px 0;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 400px;
  gap: 24px;
  align-items: start;
  margin-top: 12px;
}

.choices section {
  padding: 12px 16px 16px;
  border: 1px solid var(--line);
  background: var(--sheet);
}

.choices section + section {
  border-top: 0;
}

h2 {
  margin-bottom: 4px;
  font-size: 1.125rem;
  font-weight: 650;
}

.step {
  display: inline-block;
  width: 22px;
  color: var(--chosen);
  font-family: var(--mono);
}

.small {
  margin-top: 4px;
  font-size: 0.9375rem;
}

.revisions {
  margin-top: 10px;
}

.row {
  display: flex;
  gap: 12px;
}

.unfit {
  display: block;
  font-size: 0.9375rem;
  line-height: 1.3;
  white-space: normal;
}

.unfit.stop,
.stop-line {
  color: var(--stop);
}

.unfit.warn {
  color: var(--warn);
}

.taken li,
.wishes li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  min-height: 48px;
  padding: 3px 0;
  border-top: 1px solid var(--line-faint);
}

.taken {
  margin-top: 10px;
}

.taken .v-btn {
  min-width: 40px;
  padding: 0;
}

.name {
  flex: 1 1 220px;
  overflow-wrap: anywhere;
}

.count {
  min-width: 1.5em;
  text-align: center;
}

.so-far {
  position: sticky;
  top: 60px;
  display: grid;
  gap: 10px;
  padding: 12px 16px 16px;
  border: 1px solid var(--line);
  background: var(--sheet);
  overflow-wrap: anywhere;
}

.refused {
  padding: 8px 12px;
  border: 1px solid var(--stop);
  border-left-width: 6px;
}

.stop-line {
  font-weight: 600;
}

.verdict {
  display: flex;
  gap: 10px;
  font-size: 1.0625rem;
}

.places {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  font-size: 0.9375rem;
  line-height: 1.25;
}

dt {
  color: var(--ink-2);
}

dd {
  color: var(--chosen);
  font-weight: 600;
}

.none dd {
  color: var(--stop);
}

@media (max-width: 1020px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }

  .so-far {
    position: static;
  }
}
</style>
