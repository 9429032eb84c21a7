<script setup lang="ts">
import { useTitle } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import BoardFace from '@/features/board/BoardFace.vue'
import BuildBar from '@/features/build/BuildBar.vue'
import BuildHead from '@/features/build/BuildHead.vue'
import KeysDialog from '@/features/build/KeysDialog.vue'
import StandingNote from '@/features/build/StandingNote.vue'
import { useBuild } from '@/stores/build'
import KeyButton from '@/ui/KeyButton.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import { useScreenKeys } from '@/ui/useScreenKeys'
import LoomTables from './LoomTables.vue'
import PlugFaces from './PlugFaces.vue'
import StepList from './StepList.vue'
import { useLoom } from './useLoom'

/** From plan to soldered wires: the work in its order, the board with the pads of each step, plugs pin by pin, and what to measure. */
const props = defineProps<{
  id: string
  /** The step that is looked at. */
  step: string | null
}>()
const router = useRouter()
const route = useRoute()
const build = useBuild()
const { view } = storeToRefs(build)
const loom = useLoom(() => props.id)
const keysOpen = ref(false)
const keys: [string, string][] = [
  ['↑ ↓', 'the step before, the next one'],
  ['P', 'print'],
  ['Z', 'undo'],
  ['Y', 'redo'],
  ['F', 'to Fit'],
  ['?', 'this list'],
]

const sheet = computed(() => loom.view.value?.sheet)
const steps = computed(() => sheet.value?.steps ?? [])
const chosen = computed(() => steps.value.find((s) => s.id === props.step) ?? steps.value[0])
const uses = computed(() =>
  Object.fromEntries(
    (sheet.value?.wires ?? []).flatMap((w) => (w.pad ? [[w.pad, `${w.name}: ${w.label}`]] : [])),
  ),
)

async function go(id: string) {
  await router.replace({ query: { ...route.query, step: id } })
  await nextTick()
  document.querySelector(`[data-step="${CSS.escape(id)}"]`)?.scrollIntoView({ block: 'nearest' })
}
function walk(by: number) {
  const i = steps.value.findIndex((s) => s === chosen.value)
  const next = steps.value[Math.min(steps.value.length - 1, Math.max(0, i + by))]
  if (next) void go(next.id)
}
function ofPad(pad: string) {
  const step = steps.value.find((s) => s.pads.includes(pad))
  if (step) void go(step.id)
}
const print = () => window.print()

useScreenKeys(
  {
    arrowup: () => walk(-1),
    arrowdown: () => walk(1),
    p: print,
    z: () => void build.undo(),
    y: () => void build.redo(),
    f: () => void router.push({ name: 'fit', params: { id: props.id } }),
    '?': () => (keysOpen.value = true),
  },
  keysOpen,
)
useTitle(computed(() => `${view.value?.name ?? 'Build'} – Loom – Gorvix`))
watch(() => props.id, build.open, { immediate: true })
watch(
  () => view.value?.version,
  (version) => {
    if (version !== undefined) void loom.read()
  },
  { immediate: true },
)
</script>

<template>
  <main class="loom">
    <BuildBar v-if="view" :view="view" step="loom" />
    <StandingNote />
    <p v-if="!view && build.standing === 'loading'" class="quiet" role="status">Planning …</p>
    <template v-if="view">
      <BuildHead :view="view" :findings="[]" @keys="keysOpen = true" />
      <ProblemNote
        v-if="loom.problem.value"
        title="The loom cannot be shown"
        :problem="loom.problem.value"
      />
      <template v-if="sheet">
        <ul class="cautions" data-testid="cautions">
          <li v-for="c in loom.view.value?.cautions" :key="c">{{ c }}</li>
        </ul>
        <div class="columns">
          <div>
            <header class="order">
              <h2>In this order</h2>
              <KeyButton class="no-print" letter="P" data-do="print" @click="print"
                >Print</KeyButton
              >
            </header>
            <StepList :steps="steps" :chosen="chosen?.id ?? null" @choose="go" />
          </div>
          <aside>
            <BoardFace
              v-if="view.sheet.face"
              class="board no-print"
              :face="view.sheet.face"
              :name="view.name"
              :lit="chosen?.pads ?? []"
              :near="chosen?.near ?? []"
              :uses="uses"
              @pad="ofPad"
            />
            <p v-else class="quiet">
              The leaflet tells no positions of pads: the list works without the face.
            </p>
            <PlugFaces :faces="sheet.faces" />
          </aside>
        </div>
        <LoomTables :sheet="sheet" :build="id" />
      </template>
      <v-skeleton-loader v-else-if="!loom.problem.value" type="article@2" />
    </template>
    <KeysDialog v-model="keysOpen" :keys="keys" />
  </main>
</template>

<style scoped>
.loom {
  padding: 0 24px 32px;
}

.cautions li {
  display: inline;
}

.cautions li + li::before {
  content: ' ';
}

.cautions {
  margin: 8px 0 12px;
  padding: 0 0 0 12px;
  border-left: 3px solid var(--warn);
  list-style: none;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 7fr) minmax(0, 6fr);
  gap: 28px;
  align-items: start;
}

aside {
  position: sticky;
  top: 60px;
}

.order {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
}

h2 {
  margin-bottom: 4px;
  font-size: 1.25rem;
  font-weight: 650;
}

@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }

  aside {
    position: static;
    order: -1;
  }

  /* The whole board is in sight, so that no lit pad hides. */
  .board {
    max-width: 420px;
  }
}

@media print {
  .columns {
    display: block;
  }

  aside {
    position: static;
  }
}
</style>
