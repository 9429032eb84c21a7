<script setup lang="ts">
import { onKeyStroke, useTitle } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type FitCell, type RuleText } from '@/api/client'
import ProblemNote from '@/ui/ProblemNote.vue'
import FitGrid from './FitGrid.vue'
import FitHead from './FitHead.vue'
import FitNotes from './FitNotes.vue'
import FitPlans from './FitPlans.vue'
import KeysDialog from './KeysDialog.vue'
import StrandPanel from './StrandPanel.vue'
import { useFit } from './useFit'

const props = defineProps<{ id: string; link: string | null; port: string | null }>()
const router = useRouter()
const fit = useFit(props.id)
const { view, problem, saving, moved } = fit
const keysOpen = ref(false)
const rules = ref<RuleText[]>([])

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
  void router.replace({ query: { link, port } })
}
function pin(link: string, at: FitCell) {
  void fit.change({ kind: at.pinned ? 'unpin' : 'pin', match: { link, port: at.port } })
}
function ban(link: string, at: FitCell) {
  void fit.change({ kind: at.banned ? 'unban' : 'ban', match: { link, port: at.port } })
}

function choose(number: number) {
  // The first is the plan already.
  if (number > 1 && number <= (view.value?.sheet.plans.length ?? 0)) void fit.choose(number)
}

// Plain letters only: the browser keeps its own shortcuts, and a dialog keeps its keys.
function plain(event: KeyboardEvent) {
  return !event.ctrlKey && !event.metaKey && !event.altKey && !keysOpen.value
}
onKeyStroke(['z', 'Z'], (event) => plain(event) && void fit.undo())
onKeyStroke(['y', 'Y'], (event) => plain(event) && void fit.redo())
onKeyStroke(
  (event) => /^[1-9]$/.test(event.key),
  (event) => plain(event) && choose(Number(event.key)),
)
onKeyStroke('?', (event) => plain(event) && (keysOpen.value = true))

// The builder goes on where the keys were when the list was opened.
watch(keysOpen, (open) => {
  if (!open) document.querySelector<HTMLElement>('[role="gridcell"][tabindex="0"]')?.focus()
})

useTitle(computed(() => `${view.value?.name ?? 'Build'} – Fit – Gorvix`))
watch(
  () => props.id,
  () => router.go(0),
)
onMounted(async () => {
  await fit.load()
  const answer = await ask(() => api.GET('/api/rules'))
  rules.value = answer.data ?? []
})
</script>

<template>
  <main class="fit">
    <Teleport v-if="view" to="#crumbs">
      <span class="build">{{ view.name }}</span>
      <span class="step" aria-current="step">
        Fit<span v-if="view.sheet.findings.length > 0" class="count">{{
          view.sheet.findings.length
        }}</span>
      </span>
      <span class="saved quiet" role="status">
        {{ problem ? 'Not saved' : saving ? 'Saving …' : 'Saved' }}
      </span>
      <a class="export" :href="`/api/builds/${id}/export`" download>Export</a>
    </Teleport>

    <ProblemNote
      v-if="problem"
      class="gap"
      :title="
        problem.status === 409
          ? 'Changed in another tab'
          : view
            ? 'That was not saved'
            : 'This build cannot be shown'
      "
      :problem="problem"
    >
      <v-btn id="reload" @click="fit.load">{{
        problem.status === 409 ? 'Load the newer one' : 'Try again'
      }}</v-btn>
      <v-btn v-if="!view" variant="text" to="/">To the shelf</v-btn>
    </ProblemNote>

    <p v-if="!view && !problem" class="quiet gap" role="status">Planning …</p>
    <template v-if="view">
      <FitHead
        :view="view"
        :moved="moved"
        @undo="fit.undo"
        @redo="fit.redo"
        @keys="keysOpen = true"
        @change="fit.change"
      />
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
        This build wishes for no link, or its board has no port. Add links in its file and import it
        again.
      </p>
      <FitNotes :sheet="view.sheet" @change="fit.change" />
    </template>
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

.build {
  overflow: hidden;
  font-weight: 600;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.step {
  padding: 2px 12px;
  border: 1px solid var(--chosen);
  color: var(--chosen);
  font-weight: 600;
}

.count {
  margin-left: 8px;
  padding: 0 6px;
  background: var(--warn);
  color: var(--ground);
  font-size: 0.875rem;
}

.saved {
  margin-left: auto;
  font-size: 0.9375rem;
  white-space: nowrap;
}

.export {
  display: inline-flex;
  align-items: center;
  min-height: 40px;
  text-decoration: none;
}
</style>
