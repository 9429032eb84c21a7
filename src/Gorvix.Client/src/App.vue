<script setup lang="ts">
import { useLook } from './theme/useLook'
import PulseGlyph from './ui/PulseGlyph.vue'

const { look, next } = useLook()
const lookWords = { system: 'as the system', light: 'light', dark: 'dark' }
</script>

<template>
  <v-app>
    <header class="bar no-print">
      <RouterLink class="name" to="/" aria-label="Gorvix, to the shelf">
        <PulseGlyph polarity="normal" :width="40" :height="18" aria-hidden="true" />
        Gorvix
      </RouterLink>
      <div id="crumbs" class="crumbs" />
      <RouterLink class="plain" :to="{ name: 'rules' }">Rules</RouterLink>
      <button type="button" class="plain look" @click="next">Look: {{ lookWords[look] }}</button>
    </header>
    <RouterView />
  </v-app>
</template>

<style scoped>
.bar {
  display: flex;
  gap: 16px;
  align-items: center;
  min-height: 48px;
  padding: 0 24px;
  border-bottom: 1px solid var(--line);
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
  display: inline-flex;
  align-items: center;
  text-decoration: none;
  min-height: 40px;
  padding: 0 8px;
  border: 0;
  background: none;
  color: var(--ink-2);
  font: inherit;
  font-size: 0.9375rem;
  cursor: pointer;
}

.plain:hover {
  color: var(--ink);
}
</style>
