<script setup lang="ts">
import type { Board } from '@/api/client'

/** The class of the controller, and what follows from it. */
defineProps<{ board: Board; classes: string[]; implied: string[] }>()
const emit = defineEmits<{ lines: [text: string] }>()

// As a line of leaflet text: what the class implies for the pins is said by the one reader that knows it.
function take(value: string | null) {
  if (value) emit('lines', `controller ${value}`)
}
</script>

<template>
  <v-btn-toggle
    mandatory
    data-field="controller"
    aria-label="Controller class"
    :model-value="board.controller || null"
    @update:model-value="take"
  >
    <v-btn v-for="c in classes" :key="c" :value="c" class="label">{{ c }}</v-btn>
  </v-btn-toggle>
  <ul v-if="implied.length > 0" class="implied">
    <li v-for="fact in implied" :key="fact">{{ fact }}</li>
  </ul>
  <p v-else class="quiet small">
    See the largest chip or the firmware target name. It decides which UARTs can invert.
  </p>
</template>

<style scoped>
.implied {
  margin-top: 8px;
  padding-left: 18px;
  font-size: 0.9375rem;
  list-style: disc;
}

.small {
  margin-top: 6px;
  font-size: 0.9375rem;
}
</style>
