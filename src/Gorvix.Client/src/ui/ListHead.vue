<script setup lang="ts">
import { mdiPrinterOutline } from '@mdi/js'
import KeyButton from './KeyButton.vue'

/** What stands over a list that is worked through: only what remains, large view, print; further buttons in its slot. */
defineProps<{
  title: string
  /** True when only what remains is shown. */
  open: boolean
  /** True where there is no list of which only the rest could be shown. */
  withoutOpen?: boolean
  /** What the button to print says; none where the list is not printed. */
  print?: string
}>()
defineEmits<{ open: []; large: []; print: [] }>()
</script>

<template>
  <header class="order">
    <h2>{{ title }}</h2>
    <span class="buttons no-print">
      <KeyButton
        v-if="!withoutOpen"
        letter="O"
        data-do="open"
        :pressed="open"
        :aria-pressed="open"
        @click="$emit('open')"
        >Remaining only</KeyButton
      >
      <slot />
      <KeyButton letter="B" data-do="large" @click="$emit('large')">Large view</KeyButton>
      <KeyButton
        v-if="print"
        letter="P"
        :sign="mdiPrinterOutline"
        data-do="print"
        @click="$emit('print')"
        >{{ print }}</KeyButton
      >
    </span>
  </header>
</template>

<style scoped>
.order {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  margin-bottom: 6px;
}

.buttons {
  display: flex;
  margin-left: auto;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
