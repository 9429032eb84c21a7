<script setup lang="ts">
import { nextTick, onMounted, useTemplateRef, watch } from 'vue'
import KeyButton from './KeyButton.vue'

/**
 * One thing of a list a screen, large enough to be read over a warm iron or two probes: the board on one side, what is to be done on the other,
 * and the same buttons always in the same place. A stray touch of what is read does nothing.
 */
const props = defineProps<{
  /** What is walked through, as it is called to who hears the page. */
  label: string
  heading: string
  /** Which one is looked at. */
  at: string | undefined
  /** How far it is, in words, and as a part of all; no bar where nothing is counted. */
  progress: string
  done?: number
  total?: number
  /** What it belongs to. */
  group: string
  /** Where it stands in the list. */
  number: number
  of: number
  /** The key that takes back, and whether there is something to take back. */
  undo: string
  canUndo: boolean
}>()
defineEmits<{ walk: [by: number]; undo: []; leave: [] }>()

// Who works by ear hears what comes next, and a key that is meant for it arrives.
const card = useTemplateRef<HTMLElement>('card')
const hear = () => void nextTick(() => card.value?.focus({ preventScroll: true }))
watch(() => props.at, hear)
onMounted(hear)
</script>

<template>
  <section class="large no-print" :aria-label="label">
    <h1 class="visually-hidden">{{ heading }}</h1>
    <header>
      <span class="progress">{{ progress }}</span>
      <progress v-if="total" :value="done" :max="total" aria-hidden="true"></progress>
      <span class="phase">{{ group }}</span>
      <KeyButton letter="B" data-do="leave-large" @click="$emit('leave')">Show list</KeyButton>
    </header>
    <div :class="$slots.board ? 'two' : 'alone'">
      <div v-if="$slots.board" class="board"><slot name="board" /></div>
      <div>
        <div ref="card" tabindex="-1" class="card-at" aria-live="polite" data-testid="large-card">
          <slot />
        </div>
        <footer>
          <v-btn size="x-large" variant="outlined" data-do="back" @click="$emit('walk', -1)"
            >Back <v-kbd aria-hidden="true">↑</v-kbd></v-btn
          >
          <span class="quiet at">{{ number }} of {{ of }}</span>
          <v-btn
            size="x-large"
            variant="outlined"
            data-do="undo"
            :disabled="!canUndo"
            @click="$emit('undo')"
            >Undo <v-kbd aria-hidden="true">{{ undo }}</v-kbd></v-btn
          >
          <v-btn size="x-large" variant="outlined" data-do="skip" @click="$emit('walk', 1)"
            >Skip <v-kbd aria-hidden="true">↓</v-kbd></v-btn
          >
          <div v-if="$slots.go" class="go"><slot name="go" /></div>
        </footer>
        <slot name="after" />
      </div>
    </div>
    <slot name="below" />
  </section>
</template>

<style scoped>
.large {
  padding-top: 10px;
}

header {
  display: flex;
  gap: 16px;
  align-items: center;
  margin-bottom: 10px;
}

.progress,
.phase {
  font-size: 1.25rem;
  font-variant-numeric: tabular-nums;
  font-weight: 650;
}

.progress {
  white-space: nowrap;
}

.phase {
  margin-left: auto;
}

progress {
  flex: 1;
  min-width: 0;
  height: 10px;
  border: 1px solid var(--ink);
  background: none;
  appearance: none;
}

progress::-webkit-progress-bar {
  background: none;
}

progress::-webkit-progress-value {
  background: var(--chosen);
}

progress::-moz-progress-bar {
  background: var(--chosen);
}

.two {
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 7fr);
  gap: 24px;
  align-items: start;
}

.alone {
  max-width: 980px;
}

.card-at {
  padding: 18px 20px;
  border: 1px solid var(--line);
  border-left: 6px solid var(--chosen);
  background: var(--sheet);
  font-size: 1.3125rem;
  line-height: 1.3;
  overflow-wrap: anywhere;
}

.card-at:focus {
  outline: none;
}

footer {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
  margin-top: 12px;
}

@media (max-width: 1000px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }

  /* What is to be read comes first on a tablet. */
  .board {
    width: min(400px, 100%);
    margin: 0 auto;
    order: 1;
  }
}

/* On a phone each button keeps its place in view. */
@media (max-width: 600px) {
  header {
    flex-wrap: wrap;
  }

  footer :deep(.v-btn) {
    flex: 1 1 0;
    min-width: 0;
    padding: 0 8px;
  }

  .go {
    flex: 1 1 100%;
    order: -1;
  }

  .go :deep(.v-btn) {
    width: 100%;
  }

  .at {
    flex-basis: 100%;
    order: 1;
    text-align: center;
  }
}
</style>
