<script setup lang="ts">
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
defineProps<{
  /** What the step shares with the others. */
  shared: ReturnType<typeof useStep>
  /** What there is to know at this step. */
  findings?: Finding[]
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
        :findings="findings ?? []"
        @keys="shared.showKeys(true)"
      >
        <slot name="head" />
      </BuildHead>
      <ProblemNote v-if="problem" :title="problemTitle ?? ''" :problem="problem" />
      <slot />
      <v-skeleton-loader v-if="isReading && !problem" type="article@2" />
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
.planning {
  margin: 16px 0;
}
</style>
