<script setup lang="ts">
/** A button that shows the key which does the same. */
defineProps<{ letter: string; pressed?: boolean; disabled?: boolean }>()
</script>

<template>
  <v-btn size="small" :variant="pressed ? 'flat' : 'outlined'" :disabled="disabled">
    <slot /><kbd aria-hidden="true">{{ letter }}</kbd>
  </v-btn>
</template>

<style scoped>
kbd {
  margin-left: 8px;
  padding: 0 5px;
  border: 1px solid currentcolor;
  font-family: var(--mono);
  font-size: 0.75rem;
  font-weight: 400;
  opacity: 0.8;
}
</style>
