<script setup lang="ts">
/** A button that shows the key which does the same. */
defineProps<{ letter: string; pressed?: boolean; disabled?: boolean }>()
</script>

<template>
  <v-btn size="small" :variant="pressed ? 'flat' : 'outlined'" :disabled="disabled">
    <slot /><v-kbd aria-hidden="true">{{ letter }}</v-kbd>
  </v-btn>
</template>
