<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import type { Finding, Problem } from '@/api/client'
import ProblemNote from '@/ui/ProblemNote.vue'
import BuildBar from './BuildBar.vue'
import BuildHead from './BuildHead.vue'
import KeysDialog from './KeysDialog.vue'
import StandingNote from './StandingNote.vue'
import type { useStep } from './useStep'

/**
 * The frame of every step of a build: its bar, what stands between the screen and what is stored, the answer with undo, why the step itself
 * could not be read, and the list of keys.
 */
const props = defineProps<{
  /** What the step shares with the others. */
  shared: ReturnType<typeof useStep>
  /** What there is to know at this step. */
  findings?: Finding[]
  /** How the step itself stands, in a line; without it the verdict of the plan leads. */
  lead?: string | null
  /** True where one thing is looked at in large letters: the head gives way. */
  large?: boolean
  /** True where the step has a sheet of its own for paper. */
  hasPaper?: boolean
  /** Why what the step shows could not be read. */
  problem?: Problem | null
  problemTitle?: string
  /** True while what the step shows is read for the first time. */
  isReading?: boolean
}>()

const route = useRoute()
const order = [
  { name: 'parts', words: 'Parts', about: '' },
  { name: 'fit', words: 'Fit', about: 'which port for which link' },
  { name: 'rails', words: 'Rails', about: 'power' },
  { name: 'loom', words: 'Loom', about: 'wiring, step by step' },
  { name: 'settings', words: 'Settings', about: 'what to set on the board and the devices' },
  { name: 'bench', words: 'Bench', about: 'checks before and under power' },
  { name: 'log', words: 'Log', about: 'the record of this aircraft' },
]
/** The step after this one. */
const onward = computed(() => {
  const at = order.findIndex((s) => s.name === props.shared.name)
  return at < 0 ? undefined : order[at + 1]
})
const kept = computed(() => {
  const { link, port, lead } = route.query
  return Object.fromEntries(Object.entries({ link, port, lead }).filter(([, v]) => v))
})
</script>

<template>
  <main class="step" :class="shared.name">
    <BuildBar v-if="shared.view.value" :view="shared.view.value" :step="shared.name" />
    <StandingNote />
    <slot name="before" />
    <p
      v-if="!shared.view.value && shared.build.standing === 'loading'"
      class="quiet planning"
      role="status"
    >
      Planning…
    </p>
    <template v-if="shared.view.value">
      <BuildHead
        v-if="!large"
        :class="{ 'no-print': hasPaper }"
        :view="shared.view.value"
        :lead="lead ?? null"
        :findings="findings ?? []"
        @keys="shared.showKeys(true)"
      >
        <slot name="head" />
      </BuildHead>
      <ProblemNote v-if="problem" :title="problemTitle ?? ''" :problem="problem" />
      <slot />
      <v-skeleton-loader v-if="isReading && !problem" type="article@2" />
      <nav v-if="onward && !isReading && !large" class="onward no-print" aria-label="Next step">
        <v-btn
          data-do="onward"
          :to="{ name: onward.name, params: { id: shared.view.value.id }, query: kept }"
          >Next: {{ onward.words }}</v-btn
        >
        <span class="quiet">{{ onward.about }}</span>
      </nav>
    </template>
    <slot name="panel" />
    <KeysDialog
      :model-value="shared.keysOpen.value"
      :keys="shared.keyList"
      @update:model-value="shared.showKeys"
    >
      <slot name="keys" />
    </KeysDialog>
  </main>
</template>

<style scoped>
.onward {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  margin: 20px 0 8px;
}

.planning {
  margin: 16px 0;
}
</style>
