<script setup lang="ts">
import { mdiImport } from '@mdi/js'
import ActionSign from '@/ui/ActionSign.vue'
import { useDropZone, useFileDialog, useTitle } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { ShelfBuild } from '@/api/client'
import ProblemNote from '@/ui/ProblemNote.vue'
import { useGuide } from '@/features/guide/useGuide'
import LineField from '@/ui/LineField.vue'
import { useScreenKeys } from '@/ui/useScreenKeys'
import { useFiles } from '@/stores/files'
import BuildCard from './BuildCard.vue'
import NameDialog from './NameDialog.vue'
import { orders, useShelf } from './useShelf'

const guide = useGuide()
const shelf = useShelf()
const files = useFiles()
const router = useRouter()
const { builds, problem, fresh, done, search, order, aside } = shelf
const { found, shown, laidAside } = shelf
const edited = ref<ShelfBuild | null>(null)
const field = ref<HTMLElement>()
const page = ref<HTMLElement>()
const picker = useFileDialog({
  accept: '.json,application/json,.zip,application/zip',
  multiple: false,
  reset: true,
})

// What a file would do is shown on a screen of its own before it does it.
async function take(chosen: FileList | File[] | null) {
  const file = chosen?.[0]
  if (!file) return
  if (file.name.toLowerCase().endsWith('.zip')) {
    await shelf.takeRecord(file)
    return
  }
  await files.bring(file)
  await router.push({ name: 'take-in' })
}
picker.onChange(take)
const { isOverDropZone } = useDropZone(page, { onDrop: take })

const held = computed(() => edited.value !== null)
useScreenKeys(
  {
    n: () => void router.push({ name: 'new' }),
    '/': () => field.value?.querySelector('input')?.focus(),
  },
  held,
)
useTitle('Builds – Gorvix')
onMounted(shelf.load)
onBeforeUnmount(shelf.rest)
</script>

<template>
  <main ref="page" class="shelf" :class="{ over: isOverDropZone }">
    <div class="head">
      <div>
        <h1>Builds</h1>
      </div>
      <span class="actions">
        <v-btn id="new" color="primary" variant="flat" :to="{ name: 'new' }"
          >New build<v-kbd aria-hidden="true">N</v-kbd></v-btn
        >
        <v-btn id="import" @click="picker.open()"
          ><ActionSign :path="mdiImport" />Import file</v-btn
        >
      </span>
    </div>
    <p v-if="guide.isNew.value && builds && builds.length > 0" class="new no-print">
      New here? <v-btn size="small" data-do="tour" @click="guide.start">Take the tour</v-btn>
      <v-btn size="small" variant="text" data-do="no-tour" @click="guide.leave">No, thanks</v-btn>
    </p>
    <div v-if="builds && builds.length > 0" ref="field" class="filters no-print">
      <LineField v-slot="{ id }" label="Search">
        <v-text-field
          :id="id"
          v-model="search"
          data-field="search"
          placeholder="name, note, board or missing link"
        />
      </LineField>
      <LineField v-slot="{ id }" label="Sort by" class="order">
        <v-select :id="id" v-model="order" data-field="order" :items="[...orders]" />
      </LineField>
      <v-btn-toggle
        v-if="laidAside > 0"
        v-model="aside"
        class="aside"
        mandatory
        aria-label="Active or archived"
      >
        <v-btn :value="false" data-aside="false">active</v-btn>
        <v-btn :value="true" data-aside="true">archived ({{ laidAside }})</v-btn>
      </v-btn-toggle>
    </div>

    <ProblemNote v-if="problem" class="gap" title="Could not load builds" :problem="problem">
      <v-btn @click="shelf.load">Try again</v-btn>
    </ProblemNote>

    <div v-if="!builds && !problem" class="cards" role="status" aria-label="Loading builds">
      <v-skeleton-loader v-for="n in 6" :key="n" type="heading, text, text" />
    </div>
    <v-empty-state v-else-if="builds?.length === 0" justify="start">
      <template #title><h2>No builds yet</h2></template>
      <p>
        Create a new build, or import a build file (its parts come with it). You can also drop it on
        this page.
      </p>
      <p class="quiet">
        For ten demo builds, stop Gorvix and start it with a new folder:
        <span class="label">./start --data DIR</span>.
      </p>
    </v-empty-state>
    <p v-else-if="builds && found.length === 0" class="quiet" role="status">
      No {{ aside ? 'archived' : 'active' }} build matches. Try fewer words.
    </p>
    <div v-else class="cards">
      <BuildCard
        v-for="build in shown"
        :key="build.id"
        :build="build"
        :fresh="build.id === fresh"
        @edit="edited = build"
        @duplicate="shelf.duplicate(build)"
        @archive="shelf.archive(build)"
        @remove="shelf.remove(build)"
      />
    </div>
    <p v-if="found.length > shown.length" class="more">
      Showing {{ shown.length }} of {{ found.length }}.
      <v-btn id="more" @click="shelf.more">Show more</v-btn>
    </p>
    <p class="about no-print">
      <RouterLink :to="{ name: 'about' }">About, data and backups</RouterLink>
    </p>
    <NameDialog :build="edited" :change="shelf.change" @close="edited = null" />

    <v-snackbar :model-value="done !== null" :timeout="-1" color="surface" rounded="0" border>
      <bdi>{{ done?.words }}</bdi>
      <template #actions>
        <v-btn id="restore" variant="text" color="primary" @click="done?.back()">Undo</v-btn>
        <v-btn variant="text" @click="done = null">Close</v-btn>
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

.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}

.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: flex-end;
  margin-bottom: 16px;
}

.filters > :first-child {
  flex: 1 1 280px;
  max-width: 480px;
}

.order {
  flex: 0 1 220px;
}

.more {
  display: flex;
  gap: 12px;
  align-items: center;
  margin-top: 16px;
}

.gap {
  margin-bottom: 24px;
}

.new {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
  margin-bottom: 10px;
}

.about {
  margin-top: 24px;
  font-size: 0.9375rem;
}

.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 380px), 1fr));
  gap: 16px;
}
</style>
