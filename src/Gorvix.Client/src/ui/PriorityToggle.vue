<script setup lang="ts">
import type { Choice, Priority } from '@/api/client'

/** How much a link is wished for; null for not at all. */
defineProps<{ priorities: Choice[]; name: string; tag: string }>()
const priority = defineModel<Priority | null>({ required: true })
</script>

<template>
  <v-btn-toggle
    :model-value="priority ?? 'none'"
    :aria-label="`Priority of ${name}`"
    mandatory
    @update:model-value="priority = $event === 'none' ? null : ($event as Priority)"
  >
    <v-btn
      v-for="p in priorities"
      :key="p.value"
      :value="p.value"
      :data-priority="`${tag} ${p.value}`"
      size="small"
      >{{ p.words }}</v-btn
    >
    <v-btn value="none" :data-priority="`${tag} none`" size="small">off</v-btn>
  </v-btn-toggle>
</template>
