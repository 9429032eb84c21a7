<script setup lang="ts">
import { mdiMagnify } from '@mdi/js'
import { onKeyStroke } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { showsPhoto } from './features/board/photos'
import { useScreenKeys } from './ui/useScreenKeys'
import FindDialog from './features/find/FindDialog.vue'
import GuideCard from './features/guide/GuideCard.vue'
import { useGuide } from './features/guide/useGuide'
import ActionSign from './ui/ActionSign.vue'
import AppMenu from './ui/AppMenu.vue'
import PulseGlyph from './ui/PulseGlyph.vue'

const route = useRoute()
const finding = ref(false)
const guide = useGuide()
useScreenKeys(
  { i: () => (showsPhoto.value = !showsPhoto.value), k: () => (finding.value = true) },
  finding,
)
// As in other programs, also while something is typed.
onKeyStroke('k', (event) => {
  if (!(event.ctrlKey || event.metaKey)) return
  event.preventDefault()
  finding.value = true
})
/** A draft or a comparison belongs to its address; the other screens follow theirs. */
const key = computed(() => (route.meta.anew ? route.path : undefined))
</script>

<template>
  <v-app>
    <v-app-bar class="bar no-print" height="48" flat>
      <RouterLink class="name" to="/" aria-label="Gorvix: all builds">
        <PulseGlyph polarity="normal" :width="40" :height="18" aria-hidden="true" />
        <span class="word">Gorvix</span>
      </RouterLink>
      <div id="crumbs" class="crumbs" />
      <RouterLink class="plain" :to="{ name: 'library' }">Library</RouterLink>
      <RouterLink class="plain" :to="{ name: 'drill' }">Practice</RouterLink>
      <RouterLink class="plain" :to="{ name: 'club' }">Fleet</RouterLink>
      <RouterLink class="plain" :to="{ name: 'rules' }">Rules</RouterLink>
      <v-btn id="find" class="plain" variant="text" @click="finding = true"
        ><ActionSign :path="mdiMagnify" /><span class="find-word">Search</span
        ><v-kbd class="key" aria-hidden="true">K</v-kbd></v-btn
      >
      <AppMenu @guide="guide.start" />
    </v-app-bar>
    <v-main tag="div"><RouterView :key="key" /></v-main>
    <GuideCard />
    <FindDialog v-model="finding" />
  </v-app>
</template>

<style scoped>
.bar {
  padding: 0 24px;
  border-bottom: 1px solid var(--line);
  background: var(--ground);
}

.bar :deep(.v-toolbar__content) {
  gap: 16px;
}

/* A build's steps take the bar, and a phone has room for none: the menu has them all. */
.crumbs:not(:empty) ~ a.plain {
  display: none;
}

@media (max-width: 700px) {
  a.plain {
    display: none;
  }
}

@media (max-width: 900px) {
  .key {
    display: none;
  }
}

.name {
  display: inline-flex;
  gap: 10px;
  align-items: center;
  min-height: 40px;
  color: var(--chosen);
  font-size: 1.125rem;
  font-weight: 700;
  text-decoration: none;
}

.crumbs {
  display: flex;
  flex: 1;
  gap: 16px;
  align-items: center;
  min-width: 0;
}

.plain {
  padding: 0 8px;
  color: var(--ink-2);
  font-size: 0.9375rem;
  font-weight: 400;
  text-decoration: none;
}

@media (max-width: 900px) {
  .bar {
    padding: 0 12px;
  }

  .bar :deep(.v-toolbar__content) {
    gap: 8px;
  }

  .word {
    display: none;
  }

  #find {
    min-width: 44px;
    padding: 0;
  }

  /* The sign alone is seen; the word is still its name. */
  .find-word {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
}

.plain:hover {
  color: var(--ink);
}
</style>
