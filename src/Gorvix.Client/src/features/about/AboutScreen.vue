<script setup lang="ts">
import { useTitle } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { api, ask, type AboutView, type Problem } from '@/api/client'
import { dayOf } from '@/ui/dayOf'
import FactList from '@/ui/FactList.vue'
import ProblemNote from '@/ui/ProblemNote.vue'

/** Which Gorvix this is, where its data lies and how it stands, and what went wrong since it was started. */
const about = shallowRef<AboutView | null>(null)
const problem = ref<Problem | null>(null)
const sizeOf = (bytes: number) => `${(bytes / 1024 / 1024).toFixed(1)} MB`
const facts = computed(() => {
  const a = about.value
  if (!a) return []
  return [
    { name: 'Version', words: `${a.version}, file format ${a.format}` },
    { name: 'Data folder', words: a.folder },
    { name: 'Data file', words: a.bytes > 0 ? sizeOf(a.bytes) : 'missing' },
    { name: 'Status', words: a.check === 'ok' ? 'OK' : a.check },
    {
      name: 'Last backup',
      words: a.backUpAt ? `${dayOf(a.backUpAt)}, ${a.backUpTo ?? ''}` : 'none',
    },
    ...(a.kept.length > 0 ? [{ name: 'Earlier copies', words: a.kept.join(', ') }] : []),
  ]
})
async function load() {
  const answer = await ask(() => api.GET('/api/about'))
  about.value = answer.data ?? about.value
  problem.value = answer.problem
}
useTitle('About – Gorvix')
onMounted(load)
</script>

<template>
  <main class="about">
    <h1>About Gorvix</h1>
    <ProblemNote v-if="problem" title="Could not load this page" :problem="problem">
      <v-btn @click="load">Try again</v-btn>
    </ProblemNote>
    <v-skeleton-loader v-if="!about && !problem" type="list-item@4" />
    <template v-if="about">
      <section aria-label="Data">
        <FactList :facts="facts" data-testid="facts" />
        <p class="note">
          “Saved” means written to disk. Back up everything, even while Gorvix is running:
        </p>
        <p class="label line">./start --back-up FILE</p>
        <p class="note">
          <span class="label">./start --check</span> checks the data.
          <span class="label">./start --restore FILE</span> restores a backup and keeps the replaced
          data.
        </p>
      </section>
      <section aria-label="Errors">
        <h2>Errors since start</h2>
        <p v-if="about.faults.length === 0" class="quiet" role="status">None.</p>
        <ul>
          <li v-for="f in about.faults" :key="f.number">
            <span class="quiet">{{ dayOf(f.at) }} {{ new Date(f.at).toLocaleTimeString() }}</span>
            <span class="label">{{ f.what }}</span>
            <span>{{ f.words }}</span>
            <span class="label number">{{ f.number.split('-')[1] ?? f.number }}</span>
          </li>
        </ul>
        <p v-if="about.faults.length > 0" class="quiet">
          Full details are in the data folder under
          <span class="label">log</span>, by number.
        </p>
      </section>
    </template>
  </main>
</template>

<style scoped>
.about {
  max-width: 960px;
  padding: 16px 24px 32px;
}

h1 {
  margin-bottom: 12px;
  font-size: 1.625rem;
  font-weight: 650;
}

h2 {
  margin: 24px 0 4px;
  font-size: 1.1875rem;
  font-weight: 650;
}

.note {
  margin-top: 12px;
}

.line {
  margin-top: 4px;
  padding: 6px 12px;
  border: 1px solid var(--line);
  background: var(--sheet);
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  padding: 6px 0;
  border-top: 1px solid var(--line-faint);
}

.number {
  overflow-wrap: anywhere;
}
</style>
