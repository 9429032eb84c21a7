<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { onMounted, useTemplateRef } from 'vue'
import type { VBtn } from 'vuetify/components'

/**
 * A drawer over the right side: what it changes stays in sight at the left. Tab stays inside, Escape closes it.
 */
defineProps<{
  title: string
  /** What undo would take back, in words, or null. The panel lies over the page's own button. */
  undo: string | null
}>()
const emit = defineEmits<{ close: []; undo: [] }>()
const close = useTemplateRef<VBtn>('close')

// A list that is open over the panel takes Escape for itself.
onKeyStroke('Escape', () => {
  if (!document.querySelector('.v-menu.v-overlay--active')) emit('close')
})
onMounted(() => (close.value?.$el as HTMLElement | undefined)?.focus())
</script>

<template>
  <v-navigation-drawer
    class="panel no-print"
    tag="aside"
    role="dialog"
    location="right"
    width="460"
    :aria-label="title"
    :model-value="true"
    :scrim="false"
    temporary
    persistent
    touchless
    retain-focus
    disable-route-watcher
    disable-resize-watcher
  >
    <header>
      <h2>{{ title }}</h2>
      <span class="actions">
        <v-btn
          id="panel-undo"
          size="small"
          :disabled="!undo"
          :title="undo ?? undefined"
          @click="$emit('undo')"
          >Undo</v-btn
        >
        <v-btn ref="close" size="small" @click="$emit('close')">
          Close<v-kbd aria-hidden="true">Esc</v-kbd>
        </v-btn>
      </span>
    </header>
    <div class="body"><slot /></div>
  </v-navigation-drawer>
</template>

<style scoped>
header {
  position: sticky;
  z-index: 1;
  top: 0;
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 10px 20px;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
}

h2 {
  font-size: 1.375rem;
  font-weight: 650;
}

.actions {
  display: flex;
  gap: 8px;
}

.body {
  padding: 12px 20px 32px;
}
</style>
