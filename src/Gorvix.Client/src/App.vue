<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { showsPhoto } from './features/board/photos'
import { useLook } from './theme/useLook'
import { useScreenKeys } from './ui/useScreenKeys'
import PulseGlyph from './ui/PulseGlyph.vue'

const { look, next } = useLook()
const route = useRoute()
useScreenKeys({ i: () => (showsPhoto.value = !showsPhoto.value) })
/** A draft or a comparison belongs to its address; the other screens follow theirs. */
const key = computed(() => (route.meta.anew ? route.path : undefined))
const lookWords = { system: 'system', light: 'light', dark: 'dark' }
</script>

<template>
  <v-app>
    <v-app-bar class="bar no-print" height="48" flat>
      <RouterLink class="name" to="/" aria-label="Gorvix: all builds">
        <PulseGlyph polarity="normal" :width="40" :height="18" aria-hidden="true" />
        <span class="word">Gorvix</span>
      </RouterLink>
      <div id="crumbs" class="crumbs" />
      <RouterLink class="plain far" :to="{ name: 'drill' }">Practice</RouterLink>
      <RouterLink class="plain far" :to="{ name: 'club' }">Fleet</RouterLink>
      <RouterLink class="plain" :to="{ name: 'library' }">Library</RouterLink>
      <RouterLink class="plain far" :to="{ name: 'rules' }">Rules</RouterLink>
      <v-btn id="look" class="plain" variant="text" @click="next"
        >Theme<span class="word look-word">: {{ lookWords[look] }}</span></v-btn
      >
    </v-app-bar>
    <v-main tag="div"><RouterView :key="key" /></v-main>
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

/* On a tablet the steps leave room for the theme alone, on a phone for nothing. */
@media (max-width: 900px) {
  .crumbs:not(:empty) ~ .plain:not(#look) {
    display: none;
  }
}

@media (max-width: 600px) {
  .crumbs:not(:empty) ~ #look {
    display: none;
  }
}

/* A build's steps take the bar; what belongs to no build is one step away, on Builds. */
@media (max-width: 1400px) {
  .crumbs:not(:empty) ~ .far {
    display: none;
  }
}

/* Nine steps and the ways out: how it looks is told where there is room. */
@media (max-width: 1400px) {
  .look-word {
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
}

.plain:hover {
  color: var(--ink);
}
</style>
