<script setup lang="ts">
import { useEventListener, useTitle } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { DraftLink, Priority, Unfit } from '@/api/client'
import { useLibrary } from '@/stores/library'
import PackFields from '@/features/parts/PackFields.vue'
import PriorityToggle from '@/ui/PriorityToggle.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import PartField from './PartField.vue'
import SoFar from './SoFar.vue'
import { useDraft } from './useDraft'

/** From nothing to a plan: board, devices, pack, wishes. At each choice, what would burn is the first thing said. */
const router = useRouter()
const library = useLibrary()
const { choices, lines } = storeToRefs(library)
const { draft, look, fits, problem, making, make, reset } = useDraft()
const page = useTemplateRef<HTMLElement>('page')
/** A choice that would burn and was not taken; the builder may insist. */
const refused = ref<
  | { of: 'board' | 'device'; id: string; name: string; why: string }
  | { of: 'pack'; pack: NonNullable<typeof draft.value.pack>; name: string; why: string }
  | null
>(null)

const board = computed(() => choices.value?.boards.find((b) => b.id === draft.value.board))
const revisions = computed(() => {
  const family = lines.value?.find((l) => l.id === draft.value.board)?.family
  const alike = (lines.value ?? []).filter((l) => l.isBoard && l.family === family)
  return alike.length < 2 ? [] : alike
})
const notesOf = (id: string) => choices.value?.boards.find((b) => b.id === id)?.notes ?? []

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
function takeDevice(id: string) {
  const why = burns(fits.value.devices.find((u) => u.id === id))
  if (why) refused.value = { of: 'device', id, name: library.line(id)?.name ?? id, why }
  else setDevice(id)
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
type Pack = NonNullable<typeof draft.value.pack>
function takePack(pack: Pack | null) {
  const other = pack?.cells !== draft.value.pack?.cells
  const why = other && burns(look.value?.packs.find((u) => u.id === String(pack?.cells)))
  if (pack && why) refused.value = { of: 'pack', pack, name: `${pack.cells}S`, why }
  else setPack(pack)
}
function setPack(pack: Pack | null) {
  draft.value = { ...draft.value, pack }
  refused.value = null
}
function insist() {
  const at = refused.value
  if (at?.of === 'board') setBoard(at.id)
  else if (at?.of === 'device') setDevice(at.id)
  else if (at?.of === 'pack') setPack(at.pack)
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
      title="Could not load library"
      :problem="library.problem"
    >
      <v-btn @click="library.load">Try again</v-btn>
    </ProblemNote>
    <v-empty-state v-if="lines && !lines.some((l) => l.isBoard)" justify="start">
      <template #title><h2>No boards in the library</h2></template>
      <p>Add your board from its manual, or import a file: its parts come with it.</p>
      <p class="next">
        <v-btn color="primary" variant="flat" :to="{ name: 'new-board' }">Add board</v-btn>
        <v-btn variant="outlined" :to="{ name: 'take-in' }">Import file</v-btn>
      </p>
    </v-empty-state>
    <div v-else class="columns narrow-aside">
      <div class="choices">
        <section>
          <h2><span class="step">1</span> Board</h2>
          <PartField
            label="Find board"
            field="board"
            placeholder="maker, name, class or UART, e.g. F7"
            :lines="lines?.filter((l) => l.isBoard) ?? []"
            :unfit="fits.boards"
            :value="draft.board ?? null"
            @take="takeBoard"
          />
          <v-radio-group
            v-if="revisions.length > 0"
            class="revisions"
            label="Board revision"
            data-field="revision"
            :model-value="draft.board"
            @update:model-value="takeBoard"
          >
            <v-radio v-for="r in revisions" :key="r.id" :value="r.id">
              <template #label>
                <span
                  ><strong>Revision {{ r.revision }}</strong
                  >: {{ notesOf(r.id)[0] ?? 'no known way to identify it' }}</span
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
          <PartField
            label="Add devices"
            field="devices"
            placeholder="type, maker, name or protocol, e.g. CRSF"
            :lines="lines?.filter((l) => !l.isBoard) ?? []"
            :unfit="fits.devices"
            @take="takeDevice"
          />
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
                :aria-label="`Remove one ${device.name}`"
                @click="lessOf(device.part)"
                >−</v-btn
              >
              <span class="count label">{{ device.count }}</span>
              <v-btn
                size="small"
                :aria-label="`Add one ${device.name}`"
                @click="setDevice(device.part)"
                >+</v-btn
              >
            </li>
          </ul>
        </section>

        <section>
          <h2><span class="step">3</span> Battery</h2>
          <PackFields
            :pack="draft.pack ?? null"
            :choices="choices"
            :unfit="look?.packs ?? []"
            @change="takePack"
          />
          <p v-if="!draft.pack" class="quiet small">
            Not set: battery-powered devices are not checked.
          </p>
        </section>

        <section v-if="look && look.wishes.length > 0">
          <h2><span class="step">4</span> Link priorities</h2>
          <p class="quiet small">
            Default order: RC link, video, GPS, telemetry, the rest. Change any priority.
          </p>
          <ul class="wishes">
            <li v-for="link in look.wishes" :key="`${link.device} ${link.function}`">
              <span class="name"
                >{{ link.need }} <span class="quiet">{{ link.of }}</span></span
              >
              <PriorityToggle
                v-if="choices"
                :priorities="choices.priorities"
                :name="`${link.need}, ${link.of}`"
                :tag="`${link.device} ${link.function}`"
                :model-value="link.priority ?? null"
                @update:model-value="wish(link, $event)"
              />
            </li>
          </ul>
        </section>
      </div>

      <SoFar
        v-model:name="draft.name"
        :look="look"
        :board="draft.board ?? null"
        :begun="Boolean(draft.board) || (draft.devices ?? []).length > 0"
        :refused="refused"
        :problem="problem"
        :making="making"
        @insist="insist"
        @leave="refused = null"
        @make="finish"
        @reset="(reset(), (refused = null))"
      />
    </div>
  </main>
</template>

<style scoped>
.new {
  padding: 16px 24px 32px;
}

.gap {
  margin: 12px 0;
}

.next {
  display: flex;
  gap: 8px;
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

.unfit {
  display: block;
  font-size: 0.9375rem;
  line-height: 1.3;
  white-space: normal;
}

.unfit.stop,
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

.stop-line {
  font-weight: 600;
}

@media (max-width: 1020px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
