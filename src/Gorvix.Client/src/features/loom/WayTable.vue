<script setup lang="ts">
import type { LoomView } from '@/api/client'

/** One way to join a harness to a socket or to pads, lead by lead. */
defineProps<{ way: LoomView['sheet']['otherWays'][number] }>()
</script>

<template>
  <div>
    <p>{{ way.words }}</p>
    <table class="lines">
      <thead>
        <tr>
          <th>{{ way.kind === 'adapter' ? 'harness pin' : 'lead' }}</th>
          <th>{{ way.kind === 'solder' ? 'pad' : `${way.socket} pin` }}</th>
          <th>signal</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in way.rows" :key="r.lead">
          <td>
            <span v-if="way.kind === 'adapter'" class="number">{{ r.from }}</span>
            <span class="label">{{ r.label }}</span>
            <small v-if="r.colour">{{ r.colour }}</small>
          </td>
          <td :title="r.at">
            <span v-if="r.to" class="number">{{ r.to }}</span>
            <span class="label">{{ r.pad }}</span>
          </td>
          <td>{{ r.job }}</td>
        </tr>
      </tbody>
    </table>
    <ul v-if="way.mind.length > 0" class="mind">
      <li v-for="m in way.mind" :key="m">{{ m }}</li>
    </ul>
  </div>
</template>

<style scoped>
.lines {
  width: 100%;
  margin: 6px 0;
  border-collapse: collapse;
}

th {
  color: var(--ink-2);
  font-size: 0.875rem;
  font-weight: 400;
  text-align: left;
}

td,
th {
  padding: 4px 8px 4px 0;
  border-bottom: 1px solid var(--line-faint);
  vertical-align: top;
}

.number {
  display: inline-block;
  min-width: 1.5em;
  color: var(--ink-2);
  font-variant-numeric: tabular-nums;
}

small {
  margin-left: 4px;
  color: var(--ink-2);
}

.mind {
  margin: 0 0 8px;
  padding-left: 12px;
  border-left: 3px solid var(--warn);
  list-style: none;
}
</style>
