<script setup lang="ts">
import { useId } from 'vue'

/** A field with its label above it; the label can be for readers of the screen only, where a heading says it already. */
defineProps<{ label: string; quiet?: boolean }>()
const id = useId()
</script>

<template>
  <div class="line-field">
    <label :for="id" :class="{ 'visually-hidden': quiet }">{{ label }}</label>
    <slot :id="id" />
  </div>
</template>

<style scoped>
.line-field {
  flex: 1;
  min-width: 0;
}

label {
  display: block;
  color: var(--ink-2);
  font-size: 0.875rem;
}
</style>
