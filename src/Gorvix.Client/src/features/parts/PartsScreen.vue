<script setup lang="ts">
import { storeToRefs } from 'pinia'
import { computed, nextTick, onMounted } from 'vue'
import type { PartsChange } from '@/api/client'
import NameFields from '@/features/build/NameFields.vue'
import StepFrame from '@/features/build/StepFrame.vue'
import { useStep } from '@/features/build/useStep'
import { useLibrary } from '@/stores/library'
import KeyButton from '@/ui/KeyButton.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import { useKeptFocus } from '@/ui/useKeptFocus'
import BoardSection from './BoardSection.vue'
import DeviceCard from './DeviceCard.vue'
import HouseRules from './HouseRules.vue'
import PartPicker from './PartPicker.vue'
import SupplySection from './SupplySection.vue'

/** Board, devices, pack, wishes and house rules of a build; what would burn is said first. */
const props = defineProps<{
  id: string
  /** What is being exchanged: 'board', 'add', or the id of a device. */
  take: string | null
}>()
const library = useLibrary()
const { choices, lines } = storeToRefs(library)
const shared = useStep({
  id: () => props.id,
  name: 'parts',
  keys: {
    a: () => open('add'),
    b: () => open('board'),
    h: () => {
      const house = document.getElementById('house')
      house?.scrollIntoView()
      house?.querySelector<HTMLElement>('input:checked')?.focus()
    },
  },
  list: [
    ['A', 'add device'],
    ['B', 'swap board'],
    ['H', 'go to House rules'],
  ],
})
const { build, view, query } = shared

const taken = computed(() => {
  const device = view.value?.devices.find((d) => d.id === props.take)
  if (props.take === 'board') return { now: view.value?.boardPart ?? null, title: 'Swap board' }
  if (props.take === 'add') return { now: null, title: 'Add device' }
  const name = device && (device.name ?? library.line(device.part)?.name ?? device.part)
  return device ? { now: device.part, title: `Swap ${name}` } : null
})

const count = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`
const lead = computed(() =>
  view.value
    ? `${count(view.value.devices.length, 'device')}, ${count(view.value.sheet.links.length, 'link')}`
    : '',
)

function open(take: string | null) {
  void query({ take: take ?? undefined })
}
async function close() {
  const opener = props.take
  open(null)
  await nextTick()
  document.querySelector<HTMLElement>(`[data-exchange="${opener}"]`)?.focus()
}
async function change(change: PartsChange) {
  await build.changeParts(change)
}
async function takeIt(change: PartsChange) {
  await build.changeParts(change)
  if (build.standing === 'saved') await close()
}
// What had the focus may be gone with its device: what comes next is at hand.
useKeptFocus(
  () => view.value,
  () => (props.take ? null : document.querySelector<HTMLElement>('[data-exchange="add"]')),
)

onMounted(library.load)
</script>

<template>
  <StepFrame :shared="shared" :lead="lead" :findings="view?.sheet.open.ofParts">
    <template #before>
      <ProblemNote v-if="library.problem" title="Could not load library" :problem="library.problem">
        <v-btn @click="library.load">Try again</v-btn>
      </ProblemNote>
    </template>
    <template v-if="view">
      <p v-if="view.sheet.workSummary" class="quiet work" data-testid="work">
        Wiring work: {{ view.sheet.workSummary }}. {{ view.sheet.room.words }}
      </p>
      <NameFields
        class="names"
        :name="view.name"
        :note="view.note ?? null"
        @name="change({ kind: 'nameBuild', text: $event })"
        @note="change({ kind: 'setNote', text: $event })"
      />
      <div v-if="choices" class="columns">
        <div class="devices">
          <header>
            <h2>Devices and links</h2>
            <KeyButton data-exchange="add" letter="A" @click="open('add')">Add device</KeyButton>
          </header>
          <p v-if="view.devices.length === 0" class="empty">
            No devices yet. Add the receiver first.
          </p>
          <DeviceCard
            v-for="device in view.devices"
            :key="device.id"
            :view="view"
            :device="device"
            :part="choices.devices.find((d) => d.id === device.part)"
            :line="library.line(device.part)"
            :choices="choices"
            @change="change"
            @exchange="open(device.id)"
          />
        </div>
        <div class="rest">
          <BoardSection :view="view" @exchange="open('board')" />
          <SupplySection :setup="view.setup" :choices="choices" @change="build.setUp" />
        </div>
      </div>
      <HouseRules v-if="choices" :setup="view.setup" :choices="choices" @change="build.setUp" />
    </template>
    <template #panel>
      <PartPicker
        v-if="view && choices && lines && take && taken"
        :key="take"
        :of="take"
        :title="taken.title"
        :now="taken.now"
        :lines="lines"
        :choices="choices"
        :undo="view.undo ?? null"
        @take="takeIt"
        @undo="build.undo"
        @close="close"
      />
    </template>
  </StepFrame>
</template>

<style scoped>
.work {
  font-size: 0.9375rem;
}

.names {
  margin: 8px 0 16px;
}

.columns {
  --columns: minmax(0, 1fr) 420px;
  gap: 24px;
}

.devices {
  display: grid;
  gap: 12px;
  min-width: 0;
}

.devices header {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
}

h2 {
  flex: 1;
}

.empty {
  padding: 16px;
  border: 1px dashed var(--line);
}
</style>
