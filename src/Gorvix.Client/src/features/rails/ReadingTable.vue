<script setup lang="ts">
import type { RailsView } from '@/api/client'
import WideTable from '@/ui/WideTable.vue'

/** Expected meter readings in this situation, and where its probes go. */
defineProps<{ readings: RailsView['now']['readings']; situation: string }>()
</script>

<template>
  <section data-testid="readings">
    <h2>Expected meter readings</h2>
    <p v-if="readings.length === 0" class="quiet">Nothing is powered here.</p>
    <ul v-else class="mind">
      <li>Propellers off. Power source: {{ situation }}.</li>
      <li>Black probe first; one tip on one pad.</li>
      <li>Outside the OK range: unplug at once.</li>
    </ul>
    <WideTable v-if="readings.length > 0">
      <thead>
        <tr>
          <th>Red probe</th>
          <th>Black probe</th>
          <th class="n">Expected</th>
          <th class="n">OK range</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(r, i) in readings" :key="i">
          <td class="label">{{ r.red }}</td>
          <td class="label">{{ r.black }}</td>
          <td class="n">{{ r.volts.toFixed(2) }} V</td>
          <td class="n">{{ r.low.toFixed(2) }} – {{ r.high.toFixed(2) }} V</td>
        </tr>
      </tbody>
    </WideTable>
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 4px;
}

.n {
  font-variant-numeric: tabular-nums;
  text-align: right;
  white-space: nowrap;
}

.mind {
  margin: 0 0 6px;
  padding-left: 10px;
  border-left: 3px solid var(--warn);
  font-size: 0.9375rem;
  list-style: none;
}

section {
  break-inside: avoid;
}
</style>
