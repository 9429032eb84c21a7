<script setup lang="ts">
import type { BuildChange, FitSheet } from '@/api/client'
import { lifting } from './wishes'

/** What surrounds the plan: work for the hands, which board it is, pins and bans in force. */
defineProps<{ sheet: FitSheet }>()
defineEmits<{ change: [change: BuildChange] }>()
</script>

<template>
  <section class="notes" aria-label="Plan notes">
    <div v-if="sheet.work.length > 0">
      <h3>Wiring work: {{ sheet.workSummary }}</h3>
      <ul>
        <li v-for="line in sheet.work" :key="line">{{ line }}</li>
      </ul>
      <p class="quiet">Disconnect the battery before soldering.</p>
    </div>
    <div v-if="sheet.identity" class="identity">
      <h3>Check the board revision</h3>
      <p>{{ sheet.identity }}</p>
    </div>
    <div v-if="sheet.wishes.length > 0" class="wishes">
      <h3>Pinned and blocked</h3>
      <ul>
        <li v-for="(wish, i) in sheet.wishes" :key="i">
          <span>{{ wish.sentence }}</span>
          <strong v-if="!wish.kept" class="vain">not possible</strong>
          <v-btn
            variant="text"
            size="small"
            class="no-print"
            :aria-label="`Remove: ${wish.sentence}`"
            @click="$emit('change', lifting(wish))"
          >
            Remove
          </v-btn>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.notes {
  display: flex;
  flex-wrap: wrap;
  gap: 16px 48px;
  padding: 16px 20px;
  font-size: 0.9375rem;
}

h3 {
  font-size: 0.9375rem;
  font-weight: 650;
}

.identity {
  max-width: 300px;
}

.vain {
  margin-left: 8px;
  color: var(--warn);
}
</style>
