<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { onMounted, useTemplateRef } from 'vue'

/** A panel over the right side: what it changes stays in sight at the left. Escape closes it. */
defineProps<{
  title: string
  /** What undo would take back, in words, or null. The panel lies over the page's own button. */
  undo: string | null
}>()
const emit = defineEmits<{ close: []; undo: [] }>()
const close = useTemplateRef<HTMLButtonElement>('close')

onKeyStroke('Escape', () => emit('close'))
onMounted(() => close.value?.focus())
</script>

<template>
  <aside class="panel no-print" role="dialog" :aria-label="title">
    <header>
      <h2>{{ title }}</h2>
      <span class="actions">
        <button
          id="panel-undo"
          type="button"
          class="line-button"
          :disabled="!undo"
          :title="undo ?? undefined"
          @click="$emit('undo')"
        >
          Undo
        </button>
        <button ref="close" type="button" class="line-button" @click="$emit('close')">
          Close <kbd aria-hidden="true">Esc</kbd>
        </button>
      </span>
    </header>
    <div class="body"><slot /></div>
  </aside>
</template>

<style scoped>
.panel {
  position: fixed;
  z-index: 20;
  top: 48px;
  right: 0;
  bottom: 0;
  display: flex;
  flex-direction: column;
  width: 460px;
  max-width: 100vw;
  border-left: 2px solid var(--ink);
  background: var(--sheet);
}

header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 10px 20px;
  border-bottom: 1px solid var(--line);
}

h2 {
  font-size: 1.375rem;
  font-weight: 650;
}

.actions {
  display: flex;
  gap: 8px;
}

kbd {
  margin-left: 6px;
  font-family: var(--mono);
  font-size: 0.75rem;
}

.body {
  flex: 1;
  padding: 12px 20px 32px;
  overflow-y: auto;
}
</style>
