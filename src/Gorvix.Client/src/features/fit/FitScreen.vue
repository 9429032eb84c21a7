<script setup lang="ts">
import { onKeyStroke, useTitle } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { FitCell } from '@/api/client'
import BuildBar from '@/features/build/BuildBar.vue'
import StandingNote from '@/features/build/StandingNote.vue'
import { useRules } from '@/features/rules/useRules'
import PartsPanel from '@/features/setup/PartsPanel.vue'
import SetupPanel from '@/features/setup/SetupPanel.vue'
import FitGrid from './FitGrid.vue'
import FitHead from './FitHead.vue'
import FitNotes from './FitNotes.vue'
import FitPlans from './FitPlans.vue'
import FitPlugs from './FitPlugs.vue'
import FitUnmet from './FitUnmet.vue'
import KeysDialog from './KeysDialog.vue'
import StrandPanel from './StrandPanel.vue'
import { useBuild } from '@/stores/build'
import { useLetters } from '@/ui/useLetters'

const props = defineProps<{
  id: string
  link: string | null
  port: string | null
  panel: string | null
}>()
const router = useRouter()
const route = useRoute()
const fit = useBuild()
const letters = useLetters()
const { view, moved, unlocks } = storeToRefs(fit)
const keysOpen = ref(false)
const rules = useRules()

// What the address does not say: the first link, and where the plan puts it.
const link = computed(() => {
  const links = view.value?.sheet.links ?? []
  return links.find((l) => l.id === props.link) ?? links[0]
})
const cell = computed(() => {
  const cells = link.value?.cells ?? []
  const port = props.port ?? link.value?.port
  return cells.find((c) => c.port === port) ?? cells[0]
})

function select(link: string, port: string) {
  void router.replace({ query: { ...route.query, link, port } })
}
function openPanel(panel: 'setup' | 'parts' | null) {
  const query = { ...route.query, panel: panel ?? undefined }
  void router.replace({ query })
}
async function closePanel() {
  const opener = props.panel
  openPanel(null)
  await nextTick()
  document.getElementById(`open-${opener}`)?.focus()
}
function pin(link: string, at: FitCell) {
  void fit.change({
    kind: at.pinned ? 'unpin' : 'pin',
    match: { kind: 'route', link, port: at.port },
  })
}
function ban(link: string, at: FitCell) {
  void fit.change({
    kind: at.banned ? 'unban' : 'ban',
    match: { kind: 'route', link, port: at.port },
  })
}

function choose(number: number) {
  // The first is the plan already.
  if (number > 1 && number <= (view.value?.sheet.plans.length ?? 0)) void fit.choose(number)
}

function focusGrid() {
  const cell = document.querySelector<HTMLElement>('[role="gridcell"][tabindex="0"]')
  cell?.focus({ preventScroll: true })
}

// Plain letters only: the browser keeps its own shortcuts, and dialogs and fields keep their keys.
function plain(event: KeyboardEvent) {
  const typing = (event.target as HTMLElement).closest?.('input, select, textarea') != null
  const held = event.ctrlKey || event.metaKey || event.altKey
  return letters.value && !held && !keysOpen.value && !typing
}
onKeyStroke(['z', 'Z'], (event) => plain(event) && void fit.undo())
onKeyStroke(['y', 'Y'], (event) => plain(event) && void fit.redo())
onKeyStroke(
  (event) => /^[1-9]$/.test(event.key),
  (event) => plain(event) && choose(Number(event.key)),
)
onKeyStroke(['h', 'H'], (event) => plain(event) && openPanel('setup'))
onKeyStroke(['p', 'P'], (event) => plain(event) && openPanel('parts'))
onKeyStroke(['r', 'R'], (event) => {
  const code = cell.value?.code
  if (plain(event) && code) void router.push({ name: 'rules', params: { rule: code } })
})
onKeyStroke('?', (event) => plain(event) && (keysOpen.value = true))

// The builder goes on where the keys were when the list was opened.
watch(keysOpen, (open) => {
  if (!open) focusGrid()
})

useTitle(computed(() => `${view.value?.name ?? 'Build'} – Fit – Gorvix`))
watch(() => props.id, fit.open, { immediate: true })

// The keys act on the grid from the first moment, unless something else has the focus already.
watch(
  () => view.value !== null,
  async (there) => {
    await nextTick()
    if (there && document.activeElement === document.body) focusGrid()
  },
  { immediate: true },
)
</script>

<template>
  <main class="fit">
    <BuildBar
      v-if="view"
      :id="id"
      :name="view.name"
      step="fit"
      :count="view.sheet.findings.length"
    />

    <StandingNote />

    <p v-if="!view && fit.standing === 'loading'" class="quiet gap" role="status">Planning …</p>
    <template v-if="view">
      <FitHead
        :view="view"
        :moved="moved"
        @undo="fit.undo"
        @redo="fit.redo"
        @keys="keysOpen = true"
        @panel="openPanel"
      />
      <FitUnmet
        v-if="view.sheet.conflicts.length > 0"
        :conflicts="view.sheet.conflicts"
        :links="view.sheet.links"
        :unlocks="unlocks"
        @unlock="fit.unlock"
      />
      <p v-if="view.sheet.links.length > 0" class="room quiet" data-testid="room">
        {{ view.sheet.room.words }}
      </p>
      <FitPlans :plans="view.sheet.plans" class="no-print" @choose="choose" />
      <template v-if="link && cell">
        <FitGrid
          :sheet="view.sheet"
          :link="link.id"
          :port="cell.port"
          @select="select"
          @pin="pin"
          @ban="ban"
        />
        <StrandPanel
          :link="link"
          :cell="cell"
          :rules="rules"
          @pin="pin(link.id, cell)"
          @ban="ban(link.id, cell)"
          @change="fit.change"
        />
      </template>
      <p v-else class="gap">
        {{
          view.sheet.ports.length === 0
            ? 'This board has no port. Take another board under Parts.'
            : 'This build wishes for no link yet. Add a device under Parts.'
        }}
        <v-btn id="to-parts" class="to-parts" @click="openPanel('parts')">Parts</v-btn>
      </p>
      <FitPlugs
        v-if="view.sheet.devices.length > 0"
        :devices="view.sheet.devices"
        @change="fit.change"
      />
      <FitNotes :sheet="view.sheet" @change="fit.change" />
    </template>
    <SetupPanel
      v-if="view && panel === 'setup'"
      :setup="view.setup"
      :undo="view.undo ?? null"
      @undo="fit.undo"
      @change="fit.setUp"
      @close="closePanel"
    />
    <PartsPanel
      v-if="view && panel === 'parts'"
      :view="view"
      @change="fit.changeParts"
      @undo="fit.undo"
      @close="closePanel"
    />
    <KeysDialog v-model="keysOpen" />
  </main>
</template>

<style scoped>
.fit {
  padding: 0 24px 24px;
}

.gap {
  margin: 16px 0;
}

.room {
  margin-bottom: 6px;
  font-size: 0.9375rem;
}

.to-parts {
  margin-left: 12px;
}
</style>
