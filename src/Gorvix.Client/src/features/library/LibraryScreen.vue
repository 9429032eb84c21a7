<script setup lang="ts">
import { mdiImport } from '@mdi/js'
import ActionSign from '@/ui/ActionSign.vue'
import { useTitle } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { PartLine } from '@/api/client'
import { useLibrary } from '@/stores/library'
import LazyPicture from '@/features/picture/LazyPicture.vue'
import LineField from '@/ui/LineField.vue'
import MenuButton from '@/ui/MenuButton.vue'
import ProblemNote from '@/ui/ProblemNote.vue'

/** The parts library: a list to search, narrowed by what decides. The address says what is looked for. */
const mostShown = 60
const library = useLibrary()
const { all, choices, problem } = storeToRefs(library)
const route = useRoute()
const router = useRouter()

const text = (name: string) => (typeof route.query[name] === 'string' ? route.query[name] : '')
const search = computed(() => text('search'))
const kind = computed(() => text('kind'))
const trait = computed(() => text('can'))
const cells = computed(() => text('pack'))

function set(name: string, value: string | null) {
  // What a part can do hangs on what it is.
  const query = { ...route.query, [name]: value || undefined }
  if (name === 'kind') delete query.can
  void router.replace({ query })
}

const aside = computed(() => text('aside') === 'yes')
const laidAside = computed(() => all.value?.filter((l) => l.isArchived).length ?? 0)
const lines = computed(() => all.value?.filter((l) => l.isArchived === aside.value) ?? null)
const ofKind = computed(() =>
  (lines.value ?? []).filter((l) => kind.value === '' || l.kind === kind.value),
)
const kinds = computed(() => [
  { title: 'all types', value: '' },
  ...[...new Set((lines.value ?? []).map((l) => l.kind))].map((k) => ({ title: k, value: k })),
])
const traits = computed(() => [
  { title: 'any', value: '' },
  ...[...new Set(ofKind.value.flatMap((l) => l.traits))]
    .sort((a, b) => a.localeCompare(b))
    .map((t) => ({ title: t, value: t })),
])
const packs = computed(() => [
  { title: 'any battery', value: '' },
  ...(choices.value?.pack.cells ?? []).map((c) => ({ title: c.words, value: c.value })),
])
const found = computed(() => {
  const words = search.value.toLowerCase().split(/\s+/)
  return ofKind.value.filter(
    (l) =>
      (trait.value === '' || l.traits.includes(trait.value)) &&
      (cells.value === '' || l.cells?.includes(Number(cells.value)) === true) &&
      words.every((w) => `${l.name} ${l.kind} ${l.brief}`.toLowerCase().includes(w)),
  )
})
/** Boards or devices to be put side by side. */
const most = 3
const compared = ref<PartLine[]>([])
const isCompared = (line: PartLine) => compared.value.some((c) => c.id === line.id)
// What one kind says, the other does not.
const mayCompare = (line: PartLine) =>
  isCompared(line) ||
  (compared.value.length < most && compared.value.every((c) => c.isBoard === line.isBoard))
function compare(line: PartLine) {
  compared.value = isCompared(line)
    ? compared.value.filter((c) => c.id !== line.id)
    : [...compared.value, line]
}
const comparison = computed(() => ({
  name: 'compare',
  query: { [compared.value[0]?.isBoard ? 'board' : 'device']: compared.value.map((c) => c.id) },
}))
const files = [
  { href: '/api/files/library', words: 'Gorvix file', about: 'everything, to share or archive' },
  { href: '/api/files/lists/pads', words: 'Pad list', about: 'CSV, one pad per row' },
  { href: '/api/files/lists/devices', words: 'Device list', about: 'CSV, one lead per row' },
]
const shown = computed(() => found.value.slice(0, mostShown))

useTitle('Library – Gorvix')
onMounted(library.load)
</script>

<template>
  <main class="library">
    <div class="top">
      <div>
        <h1>Parts library</h1>
      </div>
      <div class="deeds no-print">
        <v-btn id="new-board" :to="{ name: 'new-board' }">Add board</v-btn>
        <v-btn id="new-device" :to="{ name: 'new-device' }">Add device</v-btn>
        <v-btn id="take-in" variant="text" :to="{ name: 'take-in' }"
          ><ActionSign :path="mdiImport" />Import file</v-btn
        >
        <MenuButton
          id="export"
          label="Export library"
          variant="text"
          size="default"
          :items="files"
        />
      </div>
    </div>
    <ProblemNote v-if="problem" class="gap" title="Could not load library" :problem="problem">
      <v-btn @click="library.load">Try again</v-btn>
    </ProblemNote>
    <div class="filters no-print">
      <LineField v-slot="{ id }" label="Search">
        <v-text-field
          :id="id"
          data-field="search"
          :model-value="search"
          placeholder="maker, name, protocol"
          clearable
          @update:model-value="set('search', $event)"
        />
      </LineField>
      <LineField v-slot="{ id }" label="Type">
        <v-select
          :id="id"
          data-field="kind"
          :items="kinds"
          :model-value="kind"
          @update:model-value="set('kind', $event)"
        />
      </LineField>
      <LineField v-slot="{ id }" label="Feature">
        <v-autocomplete
          :id="id"
          data-field="can"
          :items="traits"
          :model-value="trait"
          auto-select-first
          @update:model-value="set('can', $event)"
        />
      </LineField>
      <LineField v-slot="{ id }" label="Direct on battery">
        <v-select
          :id="id"
          data-field="pack"
          :items="packs"
          :model-value="cells"
          @update:model-value="set('pack', $event)"
        />
      </LineField>
    </div>
    <v-btn-toggle
      v-if="laidAside > 0 || aside"
      class="aside no-print"
      mandatory
      aria-label="Active or archived"
      :model-value="aside"
      @update:model-value="set('aside', $event ? 'yes' : null)"
    >
      <v-btn :value="false" data-aside="false">active</v-btn>
      <v-btn :value="true" data-aside="true">archived ({{ laidAside }})</v-btn>
    </v-btn-toggle>
    <p v-if="lines" role="status" class="quiet count" data-testid="count">
      <template v-if="all?.length === 0"
        >The library is empty. Add your board from its manual, or import a file.</template
      >
      <template v-else-if="found.length === 0">No matches. Remove a word or filter.</template>
      <template v-else-if="found.length > mostShown"
        >{{ found.length }} found, showing {{ mostShown }}. Narrow the search for more.</template
      >
      <template v-else>{{ found.length }} of {{ lines.length }} parts</template>
    </p>
    <p v-if="compared.length > 0" class="compare no-print">
      <v-btn id="compare" :disabled="compared.length < 2" :to="comparison"
        >Compare selected ({{ compared.length }})</v-btn
      >
      <span class="quiet">{{
        compared.length < 2 ? 'Select 1 or 2 more.' : compared.map((c) => c.name).join(' · ')
      }}</span>
      <v-btn variant="text" size="small" @click="compared = []">Clear selection</v-btn>
    </p>
    <v-skeleton-loader v-if="!lines && !problem" type="list-item-two-line@6" />
    <ul v-else class="rows">
      <li v-for="line in shown" :key="line.id" :data-part="line.id">
        <LazyPicture
          class="picture"
          :of="{ kind: line.isBoard ? 'board' : 'device', id: line.id }"
        />
        <RouterLink
          :to="{
            name: 'part',
            params: { type: line.isBoard ? 'boards' : 'devices', id: line.id },
          }"
          >{{ line.name }}</RouterLink
        >
        <span class="kind">{{ line.kind }}</span>
        <span class="quiet brief">{{ line.brief }}</span>
        <v-btn
          class="mark no-print"
          :variant="isCompared(line) ? 'flat' : 'text'"
          :color="isCompared(line) ? 'primary' : undefined"
          size="small"
          :aria-pressed="isCompared(line)"
          :aria-label="`Compare ${line.name}`"
          :disabled="!mayCompare(line)"
          @click="compare(line)"
          >Compare</v-btn
        >
      </li>
    </ul>
  </main>
</template>

<style scoped>
.library {
  padding: 16px 24px 32px;
}

.top {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  justify-content: space-between;
  align-items: end;
}

.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

.gap {
  margin: 12px 0;
}

.filters {
  display: grid;
  grid-template-columns: 2fr 1fr 1fr 1fr;
  gap: 8px 16px;
  margin-top: 12px;
}

.aside {
  margin-top: 10px;
}

.count {
  margin: 10px 0 6px;
}

.compare {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin-bottom: 8px;
}

.rows {
  border: 1px solid var(--line);
  background: var(--sheet);
}

.rows li {
  display: grid;
  grid-template-columns: 64px minmax(220px, 2fr) minmax(120px, 1fr) minmax(0, 4fr) auto;
  gap: 2px 16px;
  align-items: center;
  min-height: 46px;
  padding: 4px 16px;
  overflow-wrap: anywhere;
}

.rows li + li {
  border-top: 1px solid var(--line-faint);
}

.rows a {
  padding: 8px 0;
  color: var(--ink);
  font-weight: 600;
}

.picture {
  height: 44px;
}

.brief {
  font-size: 0.9375rem;
}

@media (max-width: 900px) {
  .filters {
    grid-template-columns: 1fr 1fr;
  }

  .rows li {
    grid-template-columns: 48px 1fr auto auto;
  }

  .mark {
    grid-row: 1;
    grid-column: 4;
  }

  .brief {
    grid-column: 2 / 5;
    padding-bottom: 6px;
  }

  .rows a {
    padding: 6px 0 0;
  }
}
</style>
