<script setup lang="ts">
import { computed } from 'vue'
import { type Standing, useBuild } from '@/stores/build'

/** The build's name and its screens, in the bar at the top. */
defineProps<{ id: string; name: string; step: 'fit' | 'sweep'; count?: number }>()

const build = useBuild()
const words: Record<Standing, string> = {
  loading: '',
  saved: 'Saved',
  saving: 'Saving …',
  refused: 'Not saved',
  stale: 'Not saved',
  offline: 'Not saved yet',
}
const saved = computed(() => words[build.standing])
</script>

<template>
  <Teleport to="#crumbs">
    <span class="build">{{ name }}</span>
    <nav aria-label="Screens of this build">
      <v-tabs :model-value="step" height="47" color="primary" :mandatory="false">
        <v-tab value="fit" :to="{ name: 'fit', params: { id } }">
          Fit<v-badge
            v-if="count"
            inline
            color="warning"
            :content="count"
            :label="`${count} open findings`"
          />
        </v-tab>
        <v-tab id="to-sweep" value="sweep" :to="{ name: 'sweep', params: { id } }"
          >Before you buy</v-tab
        >
      </v-tabs>
    </nav>
    <span v-if="saved" class="saved quiet" role="status">{{ saved }}</span>
    <a class="export" :class="{ last: !saved }" :href="`/api/builds/${id}/export`" download
      >Export</a
    >
  </Teleport>
</template>

<style scoped>
.build {
  overflow: hidden;
  font-weight: 600;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.saved,
.last {
  margin-left: auto;
  font-size: 0.9375rem;
  white-space: nowrap;
}

.export {
  display: inline-flex;
  align-items: center;
  min-height: 40px;
  text-decoration: none;
}

@media (max-width: 900px) {
  .build {
    max-width: 110px;
  }
}
</style>
