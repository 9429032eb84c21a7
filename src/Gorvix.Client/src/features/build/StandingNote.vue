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
    ? 'This build cannot be shown'
    : standing.value === 'stale'
      ? 'Changed in another tab'
      : standing.value === 'offline' && unsent.value > 0
        ? `Not saved yet: ${unsent.value === 1 ? 'one change waits' : `${unsent.value} changes wait`}`
        : 'That was not saved',
)
</script>

<template>
  <ProblemNote v-if="problem" class="gap" :title="title" :problem="problem">
    <template v-if="unsent > 0">
      <v-btn id="resend" @click="build.resend">{{
        standing === 'stale' ? 'Load the newer one and do it there' : 'Send again'
      }}</v-btn>
      <v-btn id="drop" variant="text" @click="build.drop">{{
        unsent === 1 ? 'Give that change up' : 'Give them up'
      }}</v-btn>
    </template>
    <v-btn v-else id="reload" @click="build.open(build.id)">Try again</v-btn>
    <v-btn v-if="!view" variant="text" to="/">To the shelf</v-btn>
  </ProblemNote>
</template>

<style scoped>
.gap {
  margin: 16px 0;
}
</style>
