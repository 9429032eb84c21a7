<script setup lang="ts">
import ActionSign from '@/ui/ActionSign.vue'
/** A button that shows the key which does the same. */
defineProps<{
  letter: string
  pressed?: boolean
  disabled?: boolean
  /** The sign that builders look for, where there is one. */
  sign?: string
}>()
</script>

<template>
  <v-btn size="small" :variant="pressed ? 'flat' : 'outlined'" :disabled="disabled">
    <ActionSign v-if="sign" :path="sign" /><slot /><v-kbd aria-hidden="true">{{ letter }}</v-kbd>
  </v-btn>
</template>
