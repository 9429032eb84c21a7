<script setup lang="ts">
import { computed } from 'vue'
import type { ShelfBuild } from '@/api/client'
import LazyPicture from '@/features/picture/LazyPicture.vue'
import MenuButton from '@/ui/MenuButton.vue'
import PlaceList from '@/ui/PlaceList.vue'
import VerdictMark from '@/ui/VerdictMark.vue'

/** A build on the shelf with its one-line answer. */
const props = defineProps<{ build: ShelfBuild; fresh: boolean }>()
const emit = defineEmits<{ edit: []; duplicate: []; archive: []; remove: [] }>()

const readable = computed(() => props.build.version > 0)
const doings = computed(() => [
  ...(readable.value
    ? [
        { id: 'rename', words: 'Edit name and note…', run: () => emit('edit') },
        { id: 'duplicate', words: 'Duplicate build', run: () => emit('duplicate') },
      ]
    : []),
  {
    id: 'archive',
    words: props.build.isArchived ? 'Unarchive build' : 'Archive build',
    run: () => emit('archive'),
  },
  { id: 'remove', words: 'Delete build', run: () => emit('remove') },
])
</script>

<template>
  <v-card
    tag="article"
    variant="outlined"
    class="card"
    :class="{ fresh }"
    :data-build="build.id"
    :aria-busy="build.isPending"
  >
    <h2>
      <RouterLink :to="{ name: 'fit', params: { id: build.id } }"
        ><bdi>{{ build.name }}</bdi></RouterLink
      >
    </h2>
    <p v-if="build.note" class="note" dir="auto">{{ build.note }}</p>
    <p class="verdict" :class="{ pending: build.isPending }">
      <v-progress-circular
        v-if="build.isPending"
        indeterminate
        size="16"
        width="2"
        aria-label="Planning"
      />
      <VerdictMark v-else :severity="build.verdict.severity" />
      <span>{{ build.verdict.sentence }}</span>
    </p>
    <div class="what">
      <PlaceList class="places" :places="build.places" />
      <LazyPicture
        v-if="readable"
        class="picture"
        :of="{ kind: 'build', id: build.id, version: build.version }"
      />
    </div>
    <footer>
      <span class="quiet board">{{ build.board }}</span>
      <v-btn variant="text" size="small" :href="`/api/builds/${build.id}/export`" download>{{
        readable ? 'Export' : 'Export stored data'
      }}</v-btn>
      <MenuButton variant="text" data-more label="More" :name="build.name" :items="doings" />
    </footer>
  </v-card>
</template>

<style scoped>
.card {
  position: relative;
  display: flex;
  flex-direction: column;
  padding: 20px 20px 8px;
  border-color: var(--line);
  background: var(--sheet);
  overflow-wrap: anywhere;
}

.card:hover,
.fresh {
  border-color: var(--chosen);
}

h2 {
  font-size: 1.375rem;
  font-weight: 650;
  line-height: 1.2;
}

h2 a {
  color: var(--ink);
  text-decoration: none;
}

/* The whole card opens the build; the small actions stay above it. */
h2 a::after {
  position: absolute;
  inset: 0;
  content: '';
}

.note {
  display: -webkit-box;
  margin-top: 4px;
  overflow: hidden;
  color: var(--ink-2);
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 3;
}

.verdict {
  display: flex;
  gap: 10px;
  align-items: baseline;
  margin: 16px 0 12px;
  font-size: 1.0625rem;
}

.pending {
  color: var(--ink-2);
}

.verdict svg {
  position: relative;
  top: 3px;
}

.what {
  display: flex;
  gap: 12px;
  align-items: flex-start;
  margin-bottom: 12px;
}

.places {
  flex: 1 1 0;
  min-width: 0;
}

.picture {
  flex: 0 0 168px;
  height: 112px;
}

footer {
  display: flex;
  gap: 4px;
  align-items: center;
  margin-top: auto;
  border-top: 1px solid var(--line-faint);
  font-size: 0.9375rem;
}

.board {
  flex: 1;
  padding: 8px 0;
}

footer .v-btn {
  position: relative;
}
</style>
