<script setup lang="ts">
import { storeToRefs } from 'pinia'
import { computed } from 'vue'
import { useBuild } from '@/stores/build'
import ProblemNote from '@/ui/ProblemNote.vue'

/** What stands between the screen and the stored build, and what to do about it: nothing that was done is lost silently. */
const build = useBuild()
const { view, problem, standing, unsent } = storeToRefs(build)

const title = computed(() =>
  !view.value
    ? 'Could not load build'
    : standing.value === 'stale'
      ? 'Changed in another tab'
      : standing.value === 'offline' && unsent.value > 0
        ? `${unsent.value === 1 ? '1 change' : `${unsent.value} changes`} waiting to be saved`
        : 'Not saved',
)
</script>

<template>
  <ProblemNote v-if="problem" class="gap" :title="title" :problem="problem">
    <template v-if="unsent > 0">
      <v-btn id="resend" @click="build.resend">{{
        standing === 'stale' ? 'Reload and reapply' : 'Retry now'
      }}</v-btn>
      <v-btn id="drop" variant="text" @click="build.drop">{{
        unsent === 1 ? 'Discard change' : 'Discard changes'
      }}</v-btn>
    </template>
    <v-btn v-else id="reload" @click="build.open(build.id)">Try again</v-btn>
    <v-btn v-if="!view" variant="text" to="/">Back to Builds</v-btn>
  </ProblemNote>
</template>

<style scoped>
.gap {
  margin: 16px 0;
}
</style>
