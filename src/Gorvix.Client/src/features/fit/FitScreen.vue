<script setup lang="ts">
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
import StrandPanel from './StrandPanel.vue'
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

// A link that is left out is told about in full below, with what would carry it.
const findings = computed(() => {
  const { findings, conflicts } = view.value?.sheet ?? { findings: [], conflicts: [] }
  return findings.filter(
    (f) => f.subject.kind !== 'link' || !conflicts.some((c) => c.link === f.subject.id),
  )
})

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
  <StepFrame :shared="shared" :findings="findings">
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
          :sheet="view.sheet"
          :link="link"
          :cell="cell"
          :rules="rules"
          @select="select"
          @pin="pin(link.id, cell)"
          @ban="ban(link.id, cell)"
          @change="fit.change"
        />
      </template>
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
