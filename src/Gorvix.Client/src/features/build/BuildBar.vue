<script setup lang="ts">
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import type { FitView } from '@/api/client'
import { type Standing, useBuild } from '@/stores/build'
import { useCraft } from './useCraft'
import type { StepName } from './useStep'

/** The build's name and its steps, in the order of the work, each with the findings that are open there. */
const props = defineProps<{ view: FitView; step: StepName }>()

const build = useBuild()
const standing = useCraft(
  () => props.view.id,
  () => props.view.version,
)
const route = useRoute()
const words: Record<Standing, string> = {
  loading: '',
  saved: 'Saved',
  saving: 'Saving…',
  refused: 'Not saved',
  stale: 'Not saved',
  offline: 'Waiting to save',
}
const saved = computed(() => words[build.standing])
const steps = computed(() => [
  { name: 'parts' as const, words: 'Parts', open: props.view.sheet.open.parts },
  { name: 'fit' as const, words: 'Fit', open: props.view.sheet.open.fit },
  { name: 'rails' as const, words: 'Rails', open: props.view.sheet.open.rails },
  {
    name: 'loom' as const,
    words: 'Loom',
    open: props.view.sheet.open.loom,
    far: standing.far.loom,
  },
  {
    name: 'settings' as const,
    words: 'Settings',
    open: props.view.sheet.open.settings,
    far: standing.far.settings,
  },
  { name: 'bench' as const, words: 'Bench', open: standing.bench, far: standing.far.bench },
  { name: 'faults' as const, words: 'Faults', open: standing.faults },
  { name: 'log' as const, words: 'Log', open: standing.log },
])

// On a narrow screen the steps scroll: the one that is open comes into sight.
const strip = useTemplateRef<HTMLElement>('strip')
watch(
  () => [props.step, strip.value],
  async () => {
    await nextTick()
    const tab = strip.value?.querySelector<HTMLElement>(`#to-${props.step}`)
    if (strip.value && tab)
      strip.value.scrollLeft = tab.offsetLeft - (strip.value.clientWidth - tab.offsetWidth) / 2
  },
  { immediate: true, flush: 'post' },
)

// What is selected stays selected on the next step.
const selection = computed(() => {
  const { link, port, lead, view } = route.query
  return Object.fromEntries(Object.entries({ link, port, lead, view }).filter(([, v]) => v))
})
</script>

<template>
  <Teleport to="#crumbs">
    <bdi class="build" :title="view.name">{{ view.name }}</bdi>
    <nav ref="strip" aria-label="Build steps">
      <v-tabs :model-value="step" height="47" color="primary" :mandatory="false">
        <v-tab
          v-for="s in steps"
          :id="`to-${s.name}`"
          :key="s.name"
          :value="s.name"
          :to="{ name: s.name, params: { id: view.id }, query: selection }"
          ><span class="words"
            >{{ s.words }}<small v-if="'far' in s && s.far" class="far">{{ s.far }}</small></span
          ><v-badge
            v-if="s.open > 0"
            inline
            color="warning"
            :content="s.open"
            :label="s.open === 1 ? '1 open issue' : `${s.open} open issues`"
          />
        </v-tab>
        <v-tab
          id="to-sweep"
          class="beside"
          value="sweep"
          :to="{ name: 'sweep', params: { id: view.id } }"
          >Before you buy</v-tab
        >
      </v-tabs>
    </nav>
    <span v-if="saved" class="saved quiet" :class="{ well: build.standing === 'saved' }">{{
      saved
    }}</span>
  </Teleport>
  <p class="of no-print">
    <bdi>{{ view.name }}</bdi>
  </p>
</template>

<style scoped>
.of {
  display: none;
}

.build {
  min-width: 72px;
  overflow: hidden;
  font-weight: 600;
  text-overflow: ellipsis;
  white-space: nowrap;
}

nav {
  flex: none;
}

nav :deep(.v-tab.v-btn) {
  min-width: 0;
  padding: 0 12px;
}

@media (max-width: 1440px) {
  nav :deep(.v-tab.v-btn) {
    padding: 0 8px;
  }

  nav :deep(.v-tab.beside) {
    margin-left: 4px;
  }
}

.words {
  display: flex;
  flex-direction: column;
  align-items: center;
  line-height: 1.15;
}

.far {
  color: var(--ink-2);
  font-size: 0.75rem;
  font-variant-numeric: tabular-nums;
  font-weight: 400;
}

.beside {
  margin-left: 12px;
}

.saved {
  margin-left: auto;
  font-size: 0.9375rem;
  white-space: nowrap;
}

/* Eight steps and the ways out of the build: on a tablet the steps come first, the name stands over the page. */
@media (max-width: 1180px) {
  .build {
    min-width: 0;
    max-width: 110px;
  }

  /* What is saved need not be said where there is no room; what is not, must. */
  .saved.well {
    display: none;
  }

  .beside {
    margin-left: 0;
  }
}

@media (max-width: 900px) {
  .build {
    display: none;
  }

  /* The header has no room for it: over the step's own content, two lines of it at most. */
  .of {
    display: -webkit-box;
    padding: 6px 0 0;
    overflow: hidden;
    font-weight: 600;
    overflow-wrap: anywhere;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
  }

  nav {
    flex: 1 1 auto;
    min-width: 0;
    margin-right: 6px;
    overflow-x: auto;
  }

  nav :deep(.v-tab.v-btn) {
    padding: 0 8px;
  }
}
</style>
