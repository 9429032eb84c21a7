<script setup lang="ts">
import { computed, nextTick, onMounted, useTemplateRef, watch } from 'vue'
import type { BoardFace as Face } from '@/api/client'
import BoardFace from '@/features/board/BoardFace.vue'
import KeyButton from '@/ui/KeyButton.vue'
import { bySide, type Step } from './useLoom'

/**
 * One step at a time, large enough to be read over a warm iron: the board with its pads lit, what to do, how, and what to look at.
 * A tap anywhere on the step, or one key, says that it is done and shows the next one.
 */
const props = defineProps<{
  steps: Step[]
  chosen: Step | undefined
  face: Face | null
  name: string
  uses: Record<string, string>
  cautions: string[]
  canUndo: boolean
}>()
defineEmits<{
  done: []
  walk: [by: number]
  pad: [id: string]
  bridge: [id: string]
  undo: []
  leave: []
}>()
const card = useTemplateRef<HTMLElement>('card')
const done = computed(() => props.steps.filter((s) => s.isDone).length)
const number = computed(() => props.steps.findIndex((s) => s.id === props.chosen?.id) + 1)
const group = computed(
  () =>
    bySide(props.steps).find((g) => g.steps.some((s) => s.id === props.chosen?.id))?.words ?? '',
)
const finished = computed(() => props.steps.every((s) => s.isDone))

// Who works by ear hears the step, and a key that is meant for it arrives.
watch(
  () => props.chosen?.id,
  () => void nextTick(() => card.value?.focus({ preventScroll: true })),
)
onMounted(() => card.value?.focus({ preventScroll: true }))
</script>

<template>
  <section class="bench" aria-label="Steps, large view">
    <header>
      <span class="progress">{{ done }} of {{ steps.length }} done</span>
      <progress :value="done" :max="steps.length" aria-hidden="true"></progress>
      <KeyButton letter="Z" data-do="undo" :disabled="!canUndo" @click="$emit('undo')"
        >Undo</KeyButton
      >
      <KeyButton letter="B" data-do="leave-bench" @click="$emit('leave')">Show list</KeyButton>
    </header>
    <div class="two">
      <BoardFace
        v-if="face"
        class="board"
        :face="face"
        :name="name"
        :lit="chosen?.pads ?? []"
        :near="chosen?.near ?? []"
        :bridge="chosen?.bridge ?? null"
        :uses="uses"
        @pad="$emit('pad', $event)"
        @bridge="$emit('bridge', $event)"
      />
      <div v-if="chosen" class="side">
        <article
          ref="card"
          tabindex="-1"
          aria-live="polite"
          :class="{ ticked: chosen.isDone }"
          data-testid="bench-step"
        >
          <p class="where">
            <span class="n">{{ number }}</span> {{ group
            }}<template v-if="chosen.isDone"> · done</template>
          </p>
          <p class="words">{{ chosen.words }}</p>
          <p v-if="chosen.waits" class="waits">Re-pin first: {{ chosen.waits }}</p>
          <p v-if="chosen.iron">{{ chosen.iron }}</p>
          <p v-if="chosen.look" class="look">{{ chosen.look }}</p>
        </article>
        <footer>
          <v-btn size="x-large" variant="outlined" data-do="back" @click="$emit('walk', -1)"
            >Back <v-kbd aria-hidden="true">↑</v-kbd></v-btn
          >
          <v-btn size="x-large" variant="outlined" data-do="skip" @click="$emit('walk', 1)"
            >Skip <v-kbd aria-hidden="true">↓</v-kbd></v-btn
          >
          <v-btn
            size="x-large"
            variant="flat"
            color="primary"
            class="go"
            data-do="done"
            :disabled="chosen.waits != null"
            @click="$emit('done')"
            >{{ chosen.isDone ? 'Next' : 'Done, next' }} <v-kbd aria-hidden="true">D</v-kbd></v-btn
          >
        </footer>
        <p v-if="finished" class="all" role="status">
          All steps done. Check continuity before power-up (see the list).
        </p>
      </div>
    </div>
    <p class="cautions quiet">{{ cautions.join(' ') }}</p>
  </section>
</template>

<style scoped>
.bench {
  padding-top: 10px;
}

header {
  display: flex;
  gap: 16px;
  align-items: center;
  margin-bottom: 10px;
}

.progress {
  font-size: 1.25rem;
  font-variant-numeric: tabular-nums;
  font-weight: 650;
  white-space: nowrap;
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
  grid-template-columns: minmax(0, 5fr) minmax(0, 6fr);
  gap: 24px;
  align-items: start;
}

article {
  min-height: 300px;
  padding: 18px 20px;
  border: 1px solid var(--line);
  border-left: 6px solid var(--chosen);
  background: var(--sheet);
  font-size: 1.3125rem;
  line-height: 1.35;
}

article:focus {
  outline: none;
}

.ticked {
  border-left-color: var(--line);
}

article p + p {
  margin-top: 12px;
}

.where {
  color: var(--ink-2);
  font-size: 1.125rem;
}

.n {
  color: var(--ink);
  font-weight: 650;
  font-variant-numeric: tabular-nums;
}

.words {
  font-size: 1.875rem;
  font-weight: 600;
  line-height: 1.2;
  overflow-wrap: anywhere;
}

.look {
  color: var(--ink-2);
}

footer {
  display: flex;
  gap: 12px;
  margin-top: 12px;
}

.go {
  flex: 1;
}

.cautions {
  margin-top: 18px;
  padding-left: 12px;
  border-left: 3px solid var(--warn);
}

.all {
  margin-top: 12px;
  font-size: 1.25rem;
}

@media (max-width: 1000px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }

  .board {
    max-width: 400px;
    margin: 0 auto;
  }

  article {
    min-height: 220px;
  }
}
</style>
