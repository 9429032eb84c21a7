<script setup lang="ts">
import { useDropZone, useFileDialog, useTitle } from '@vueuse/core'
import { onMounted, ref } from 'vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import BuildCard from './BuildCard.vue'
import { useShelf } from './useShelf'

const shelf = useShelf()
const { builds, problem, refusal, importing, imported, removed } = shelf
const page = ref<HTMLElement>()
const picker = useFileDialog({ accept: '.json,application/json', multiple: false, reset: true })

function take(files: FileList | File[] | null) {
  const file = files?.[0]
  if (file) void shelf.importFile(file)
}
picker.onChange(take)
const { isOverDropZone } = useDropZone(page, { onDrop: take })

useTitle('Shelf – Gorvix')
onMounted(shelf.load)
</script>

<template>
  <main ref="page" class="shelf" :class="{ over: isOverDropZone }">
    <div class="head">
      <div>
        <h1>Shelf</h1>
        <p class="quiet">Every build and its answer: which link has a port, and which has none.</p>
      </div>
      <v-btn id="import" :loading="importing" @click="picker.open()">Import a build file</v-btn>
    </div>

    <ProblemNote
      v-if="refusal"
      class="gap"
      :title="`${refusal.file} was not imported. Nothing was stored.`"
      :problem="refusal.problem"
    >
      <v-btn @click="picker.open()">Choose another file</v-btn>
      <v-btn variant="text" @click="refusal = null">Close</v-btn>
    </ProblemNote>
    <ProblemNote v-if="problem" class="gap" title="The shelf cannot be read" :problem="problem">
      <v-btn @click="shelf.load">Try again</v-btn>
    </ProblemNote>

    <div v-if="!builds && !problem" class="cards" role="status" aria-label="Reading the shelf">
      <v-skeleton-loader v-for="n in 6" :key="n" type="heading, text, text" />
    </div>
    <v-empty-state v-else-if="builds?.length === 0" justify="start">
      <template #title><h2>The shelf is empty</h2></template>
      <p>
        Import a build file: it brings the build and all parts that it uses. Drop it anywhere on
        this page, or choose it with the button above.
      </p>
      <p class="quiet">
        The demo has ten: stop Gorvix and start it with a new folder,
        <span class="label">./start --data DIR</span>.
      </p>
    </v-empty-state>
    <div v-else class="cards">
      <BuildCard
        v-for="build in builds"
        :key="build.id"
        :build="build"
        :fresh="build.id === imported"
        @remove="shelf.remove(build)"
      />
    </div>

    <v-snackbar :model-value="removed !== null" :timeout="-1" color="surface" rounded="0" border>
      “{{ removed?.name }}” is off the shelf.
      <template #actions>
        <v-btn id="restore" variant="text" color="primary" @click="shelf.restore"
          >Put it back</v-btn
        >
        <v-btn variant="text" @click="removed = null">Close</v-btn>
      </template>
    </v-snackbar>
  </main>
</template>

<style scoped>
.shelf {
  min-height: calc(100vh - 49px);
  padding: 24px;
}

.over {
  outline: 3px dashed var(--chosen);
  outline-offset: -12px;
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  align-items: end;
  justify-content: space-between;
  margin-bottom: 24px;
}

h1 {
  font-size: 1.75rem;
  font-weight: 650;
  line-height: 1.2;
}

.gap {
  margin-bottom: 24px;
}

.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 380px), 1fr));
  gap: 16px;
}
</style>
