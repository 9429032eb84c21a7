<script setup lang="ts">
import { stops, useGuide } from './useGuide'

/** The stop of the tour one is at: what this screen is for, and on to the next. */
const { stop, at, go, leave } = useGuide()
</script>

<template>
  <aside v-if="stop" class="guide no-print" aria-label="Tour" data-testid="tour">
    <p class="quiet">Tour, {{ at + 1 }} of {{ stops.length }}</p>
    <h2>{{ stop.title }}</h2>
    <p aria-live="polite">{{ stop.words }}</p>
    <div class="go">
      <v-btn v-if="at > 0" size="small" @click="go(at - 1)">Back</v-btn>
      <v-btn size="small" color="primary" variant="flat" data-do="tour-on" @click="go(at + 1)">{{
        at + 1 < stops.length ? 'Next stop' : 'End tour'
      }}</v-btn>
      <v-btn
        v-if="at + 1 < stops.length"
        class="leave"
        size="small"
        variant="text"
        data-do="tour-off"
        @click="leave"
        >Leave tour</v-btn
      >
    </div>
  </aside>
</template>

<style scoped>
.guide {
  position: fixed;
  bottom: 16px;
  left: 16px;
  z-index: 1010;
  width: min(380px, calc(100vw - 32px));
  padding: 12px 16px 14px;
  border: 2px solid var(--chosen);
  background: var(--sheet);
}

h2 {
  font-size: 1.125rem;
  font-weight: 650;
}

.go {
  display: flex;
  gap: 8px;
  margin-top: 10px;
}

.leave {
  margin-left: auto;
}
</style>
