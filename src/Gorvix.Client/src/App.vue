<script setup lang="ts">
import { useLook } from './theme/useLook'
import PulseGlyph from './ui/PulseGlyph.vue'

const { look, next } = useLook()
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
      <RouterLink class="plain farther" :to="{ name: 'drill' }">Practice</RouterLink>
      <RouterLink class="plain far" :to="{ name: 'club' }">Fleet</RouterLink>
      <RouterLink class="plain" :to="{ name: 'library' }">Library</RouterLink>
      <RouterLink class="plain far" :to="{ name: 'rules' }">Rules</RouterLink>
      <v-btn id="look" class="plain" variant="text" @click="next"
        >Theme<span class="word look-word">: {{ lookWords[look] }}</span></v-btn
      >
    </v-app-bar>
    <v-main tag="div"><RouterView /></v-main>
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

/* On a tablet a build's steps take the bar; club and rules are on the shelf's. */
@media (max-width: 1180px) {
  .crumbs:not(:empty) ~ .far {
    display: none;
  }
}

/* From a build's steps Drill is reached over the shelf, or from Faults. */
@media (max-width: 1400px) {
  .crumbs:not(:empty) ~ .farther {
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
