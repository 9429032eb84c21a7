<script setup lang="ts">
import type { Problem } from '@/api/client'

/** A refusal or a fault: what happened, the places it names, and what can be done. */
defineProps<{ problem: Problem; title: string }>()
</script>

<template>
  <v-alert
    class="problem"
    variant="outlined"
    border="start"
    type="error"
    :icon="false"
    role="alert"
  >
    <h2>{{ title }}</h2>
    <p v-if="problem.findings.length === 0">{{ problem.sentence }}</p>
    <ul v-else>
      <li v-for="(finding, i) in problem.findings" :key="i">
        <span class="label code">{{ finding.rule }}</span> {{ finding.sentence }}
      </li>
    </ul>
    <p v-if="problem.number" class="quiet number">
      Log reference:
      <span class="label">{{ problem.number.split('-')[1] ?? problem.number }}</span>.
    </p>
    <div class="actions"><slot /></div>
  </v-alert>
</template>

<style scoped>
.problem {
  background: var(--sheet);
}

.problem :deep(.v-alert__border) {
  border-width: 0 0 0 6px;
  opacity: 1;
}

.problem :deep(.v-alert__content) {
  color: var(--ink);
}

h2 {
  color: var(--stop);
  font-size: 1.0625rem;
  font-weight: 650;
}

li {
  margin-top: 4px;
  overflow-wrap: anywhere;
}

.number {
  overflow-wrap: anywhere;
}

.code {
  padding-right: 6px;
  color: var(--stop);
}

.actions:not(:empty) {
  display: flex;
  gap: 12px;
  margin-top: 12px;
}
</style>
