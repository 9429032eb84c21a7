<script setup lang="ts">
import { ref } from 'vue'
import type { LoomView } from '@/api/client'
import WayTable from './WayTable.vue'

/** Other ways to the same wiring at one plug: what is joined to what, and what it takes. */
defineProps<{
  ways: LoomView['sheet']['otherWays']
  /** How long the planned way takes, in words; empty where that is not told. */
  planned: string
}>()
const emit = defineEmits<{ did: [way: string] }>()
const open = ref<string | null>(null)
</script>

<template>
  <div class="ways">
    <div class="choice no-print">
      <span class="quiet">Alternatives{{ planned && ` (planned: ${planned})` }}:</span>
      <v-btn
        v-for="w in ways"
        :key="w.id"
        size="small"
        variant="outlined"
        :aria-expanded="open === w.id"
        :data-way="w.kind"
        @click="open = open === w.id ? null : w.id"
        >{{ w.method }}, {{ w.price }}</v-btn
      >
    </div>
    <div v-for="w in ways.filter((x) => x.id === open)" :key="w.id" class="way" data-testid="way">
      <WayTable :way="w" />
      <v-btn
        size="small"
        variant="tonal"
        class="no-print"
        data-do="did-so"
        @click="emit('did', w.id)"
        >Mark as done</v-btn
      >
    </div>
  </div>
</template>

<style scoped>
.choice {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: center;
  margin-top: 8px;
}

.way {
  margin-top: 8px;
}
</style>
