<script setup lang="ts">
import { useTitle } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { PartsChange } from '@/api/client'
import BuildBar from '@/features/build/BuildBar.vue'
import BuildHead from '@/features/build/BuildHead.vue'
import KeysDialog from '@/features/build/KeysDialog.vue'
import StandingNote from '@/features/build/StandingNote.vue'
import NameFields from '@/features/build/NameFields.vue'
import { useBuild } from '@/stores/build'
import { useLibrary } from '@/stores/library'
import KeyButton from '@/ui/KeyButton.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import { useKeptFocus } from '@/ui/useKeptFocus'
import { useScreenKeys } from '@/ui/useScreenKeys'
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
const router = useRouter()
const route = useRoute()
const build = useBuild()
const library = useLibrary()
const { view } = storeToRefs(build)
const { choices, lines } = storeToRefs(library)
const keysOpen = ref(false)
const keys: [string, string][] = [
  ['A', 'add device'],
  ['B', 'swap board'],
  ['H', 'go to House rules'],
  ['F', 'go to Fit'],
  ['Z', 'undo'],
  ['Y', 'redo'],
  ['?', 'show shortcuts'],
]

const taken = computed(() => {
  const device = view.value?.devices.find((d) => d.id === props.take)
  if (props.take === 'board') return { now: view.value?.boardPart ?? null, title: 'Swap board' }
  if (props.take === 'add') return { now: null, title: 'Add device' }
  const name = device && (device.name ?? library.line(device.part)?.name ?? device.part)
  return device ? { now: device.part, title: `Swap ${name}` } : null
})

function open(take: string | null) {
  void router.replace({ query: { ...route.query, take: take ?? undefined } })
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

useScreenKeys(
  {
    z: () => void build.undo(),
    y: () => void build.redo(),
    a: () => open('add'),
    b: () => open('board'),
    f: () => void router.push({ name: 'fit', params: { id: props.id } }),
    h: () => {
      const house = document.getElementById('house')
      house?.scrollIntoView()
      house?.querySelector<HTMLElement>('input:checked')?.focus()
    },
    '?': () => (keysOpen.value = true),
  },
  keysOpen,
)

useTitle(computed(() => `${view.value?.name ?? 'Build'} – Parts – Gorvix`))
watch(() => props.id, build.open, { immediate: true })
onMounted(library.load)
</script>

<template>
  <main class="parts">
    <BuildBar v-if="view" :view="view" step="parts" />
    <StandingNote />
    <ProblemNote v-if="library.problem" title="Could not load library" :problem="library.problem">
      <v-btn @click="library.load">Try again</v-btn>
    </ProblemNote>
    <p v-if="!view && build.standing === 'loading'" class="quiet gap" role="status">Planning…</p>
    <template v-if="view">
      <BuildHead :view="view" :findings="view.sheet.open.ofParts" @keys="keysOpen = true" />
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
    <KeysDialog v-model="keysOpen" :keys="keys" />
  </main>
</template>

<style scoped>
.parts {
  padding: 0 24px 32px;
}

.gap {
  margin: 16px 0;
}

.work {
  font-size: 0.9375rem;
}

.names {
  margin: 8px 0 16px;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 420px;
  gap: 24px;
  align-items: start;
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
  font-size: 1.25rem;
  font-weight: 650;
}

.empty {
  padding: 16px;
  border: 1px dashed var(--line);
}

@media (max-width: 1020px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
