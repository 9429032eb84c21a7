<script setup lang="ts">
import { useLocalStorage, useMediaQuery } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { FitCell } from '@/api/client'
import StepFrame from '@/features/build/StepFrame.vue'
import { useStep } from '@/features/build/useStep'
import { useSelected } from '@/features/picture/useSelected'
import { useRules } from '@/features/rules/useRules'
import FitGrid from './FitGrid.vue'
import FitNotes from './FitNotes.vue'
import FitPlans from './FitPlans.vue'
import FitPlugs from './FitPlugs.vue'
import FitUnmet from './FitUnmet.vue'
import FitList from './FitList.vue'
import StrandPanel from './StrandPanel.vue'
import FindingList from '@/features/build/FindingList.vue'
import PanelEdge from '@/ui/PanelEdge.vue'
import { useKeptFocus } from '@/ui/useKeptFocus'

const props = defineProps<{ id: string; link: string | null; port: string | null }>()
const router = useRouter()
const route = useRoute()
const rules = useRules()
const selected = useSelected()
const shared = useStep({
  id: () => props.id,
  name: 'fit',
  keys: {
    p: toParts,
    r: () => {
      const code = cell.value?.code
      if (code) void router.push({ name: 'rules', params: { rule: code } })
    },
    ...Object.fromEntries(Array.from({ length: 9 }, (_, i) => [`${i + 1}`, () => choose(i + 1)])),
  },
  list: [
    ['← ↑ ↓ →', 'move in the grid'],
    ['Enter', 'pin or unpin link here'],
    ['X', 'block or unblock link here'],
    ['1–9', 'choose a plan'],
    ['P', 'go to Parts'],
    ['R', 'open the rule behind a blocked cell'],
  ],
})
const { build: fit, view, keysOpen } = shared
const { unlocks } = storeToRefs(fit)

/** Where the keys went just now: the address follows a moment later, and a key held down does not wait for it. */
const ahead = ref<{ link: string; port: string } | null>(null)
watch(
  () => [props.id, props.link, props.port],
  () => (ahead.value = null),
)

// What the address does not say: the first link, and where the plan puts it.
const link = computed(() => {
  const links = view.value?.sheet.links ?? []
  const id = ahead.value?.link ?? props.link
  return (
    links.find((l) => l.id === id) ??
    links.find((l) => l.deviceId === selected.lead.value?.split(' ')[0]) ??
    links[0]
  )
})
const cell = computed(() => {
  const cells = link.value?.cells ?? []
  const port = ahead.value?.port ?? props.port ?? link.value?.port
  return cells.find((c) => c.port === port) ?? cells[0]
})

// Beside the grid where the screen is wide, else a sheet at its foot: the answer stands where the click was.
const panel = useLocalStorage('gorvix-fit-panel', 380)
const isList = useMediaQuery('screen and (max-width: 600px)')
const isFolded = ref(false)

// A link that is left out is told about in full below, with what would carry it.
const findings = computed(() => {
  const { findings, conflicts } = view.value?.sheet ?? { findings: [], conflicts: [] }
  return findings.filter(
    (f) => f.subject.kind !== 'link' || !conflicts.some((c) => c.link === f.subject.id),
  )
})

// What stops the build comes first; what is good to know stands under the grid.
const stops = computed(() => findings.value.filter((f) => f.severity === 'stop'))
const others = computed(() => findings.value.filter((f) => f.severity !== 'stop'))

function select(link: string, port: string) {
  ahead.value = { link, port }
  void router.replace({ query: { ...route.query, link, port, lead: undefined } })
}
function toParts() {
  void router.push({ name: 'parts', params: { id: props.id }, query: route.query })
}
function pin(link: string, at: FitCell) {
  void fit.change({
    kind: at.pinned ? 'unpin' : 'pin',
    match: { kind: 'route', link, port: at.port },
  })
}
function ban(link: string, at: FitCell) {
  void fit.change({
    kind: at.banned ? 'unblock' : 'block',
    match: { kind: 'route', link, port: at.port },
  })
}

function choose(number: number) {
  // The first is the plan already.
  if (number > 1 && number <= (view.value?.sheet.plans.length ?? 0)) void fit.choose(number)
}

function gridCell() {
  return document.querySelector<HTMLElement>('[role="gridcell"][tabindex="0"]')
}

// The builder goes on where the keys were when the list was opened.
watch(keysOpen, (open) => {
  if (!open) gridCell()?.focus({ preventScroll: true })
})

// The keys act on the grid from the first moment, and after each change.
useKeptFocus(() => view.value, gridCell)
</script>

<template>
  <StepFrame :shared="shared" :findings="stops">
    <template #head>
      <p v-if="view?.sheet.proof" class="proof" role="status" data-testid="proof">
        {{ view.sheet.proof.sentence }}
        <span v-if="view.sheet.proof.isWorking" class="working"
          ><v-progress-circular indeterminate size="14" width="2" aria-hidden="true" />Searching for
          a better plan…</span
        >
      </p>
    </template>
    <template v-if="view">
      <FitUnmet
        v-if="view.sheet.conflicts.length > 0"
        :conflicts="view.sheet.conflicts"
        :links="view.sheet.links"
        :unlocks="unlocks"
        :build="id"
        @unlock="fit.unlock"
      />
      <FitPlans :plans="view.sheet.plans" class="no-print" @choose="choose" />
      <div v-if="link && cell" class="desk" :style="{ '--panel': `${panel}px` }">
        <div class="grid">
          <FitList
            v-if="isList"
            :sheet="view.sheet"
            :link="link.id"
            :port="cell.port"
            @select="select"
          />
          <FitGrid
            v-else
            :sheet="view.sheet"
            :link="link.id"
            :port="cell.port"
            @select="select"
            @pin="pin"
            @ban="ban"
          />
          <FindingList :findings="others" :of="view.id" />
          <p class="room quiet" data-testid="room">{{ view.sheet.room.words }}</p>
        </div>
        <PanelEdge v-model="panel" class="edge" name="details" :least="320" :most="760" />
        <StrandPanel
          class="beside"
          :folded="isFolded"
          :sheet="view.sheet"
          :link="link"
          :cell="cell"
          :rules="rules"
          @select="select"
          @pin="pin(link.id, cell)"
          @ban="ban(link.id, cell)"
          @change="fit.change"
          @fold="isFolded = !isFolded"
        />
      </div>
      <p v-else class="gap">
        {{
          view.sheet.ports.length === 0
            ? 'This board has no ports. Swap the board under Parts.'
            : 'No links yet. Add a device under Parts.'
        }}
        <v-btn id="go-parts" class="to-parts" @click="toParts">Open Parts</v-btn>
      </p>
      <FitPlugs
        v-if="view.sheet.devices.length > 0"
        :devices="view.sheet.devices"
        @change="fit.change"
      />
      <FitNotes :sheet="view.sheet" @change="fit.change" />
    </template>
    <template #keys>
      <h2>Legend</h2>
      <dl>
        <dt>■</dt>
        <dd>chosen: the plan uses this port</dd>
        <dt>□</dt>
        <dd>possible: the text says what it would displace</dd>
        <dt>╱</dt>
        <dd>blocked: the code is the rule; no code: wrong port type or in use</dd>
      </dl>
    </template>
  </StepFrame>
</template>

<style scoped>
.proof {
  max-width: 110ch;
  margin: 8px 0;
  padding-left: 12px;
  border-left: 3px solid var(--line);
  color: var(--ink-2);
}

.working {
  display: inline-flex;
  gap: 8px;
  align-items: baseline;
  margin-left: 4px;
  color: var(--chosen);
}

.desk {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 12px minmax(0, min(var(--panel), 60%));
}

.grid {
  min-width: 0;
}

.beside {
  position: sticky;
  top: 56px;
  align-self: start;
  max-height: calc(100vh - 116px);
  min-height: min(480px, calc(100vh - 64px));
  overflow: auto;
}

@media (max-width: 1179px) {
  .desk {
    display: block;
  }

  .edge {
    display: none;
  }

  /* What is gone to comes to lie above the sheet. */
  .grid :deep([role='gridcell']),
  .grid :deep(button) {
    scroll-margin-bottom: 48vh;
  }

  /* A sheet at the foot, over what it is about, for as long as that is in sight. */
  .beside {
    top: auto;
    bottom: 0;
    z-index: 3;
    max-height: 46vh;
    min-height: 0;
    border-width: 2px 1px 1px;
    border-top-color: var(--ink);
  }
}

@media print {
  .desk {
    display: block;
  }

  .beside {
    position: static;
    max-height: none;
    overflow: visible;
  }
}

.gap {
  margin: 16px 0;
}

.room {
  margin: 6px 0;
  font-size: 0.9375rem;
}

.to-parts {
  margin-left: 12px;
}
</style>
