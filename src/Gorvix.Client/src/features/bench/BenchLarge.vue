<script setup lang="ts">
import { computed, nextTick, onMounted, useTemplateRef, watch } from 'vue'
import type { Answer, BoardFace as Face } from '@/api/client'
import BoardFace from '@/features/board/BoardFace.vue'
import KeyButton from '@/ui/KeyButton.vue'
import CheckCard from './CheckCard.vue'
import { phases, type Row } from './useBench'

/**
 * One check a screen, large enough to be read over two probes: the board with the probes on it, what should be seen, and the answers as large
 * buttons, none of them dearer than the others: a stray touch records nothing.
 */
const props = defineProps<{
  rows: Row[]
  row: Row
  face: Face | null
  name: string
  /** True when a reading was taken here that can be taken back. */
  canUndo: boolean
}>()
const emit = defineEmits<{
  take: [value: number | null, answer: Answer | null, reason: string | null]
  undo: []
  walk: [by: number]
  pad: [id: string]
  leave: []
}>()

const card = useTemplateRef<InstanceType<typeof CheckCard>>('card')
const place = useTemplateRef<HTMLElement>('place')
const proved = computed(() => props.rows.filter((r) => r.state === 'proved').length)
const probed = computed(() =>
  [props.row.check.redPad, props.row.check.blackPad].filter((p) => p != null),
)
const number = computed(() => props.rows.findIndex((r) => r.check.id === props.row.check.id) + 1)

// Who works by ear hears the check, and a key that is meant for it arrives.
const hear = () => void nextTick(() => place.value?.focus({ preventScroll: true }))
watch(() => props.row.check.id, hear)
onMounted(hear)
defineExpose({
  good: () => card.value?.good(),
  answer: (answer: Answer) => card.value?.answer(answer),
  type: () => card.value?.type(),
})
</script>

<template>
  <section class="bench" aria-label="Checks, large view">
    <h1 class="visually-hidden">{{ name }}: checks</h1>
    <header>
      <span class="progress">{{ proved }} of {{ rows.length }} passed</span>
      <progress :value="proved" :max="rows.length" aria-hidden="true"></progress>
      <span class="phase">{{ phases[row.check.phase] }}</span>
      <KeyButton letter="B" data-do="leave-bench" @click="$emit('leave')">Show list</KeyButton>
    </header>
    <div :class="{ two: probed.length > 0 }">
      <BoardFace
        v-if="face && probed.length > 0"
        class="board"
        :face="face"
        :name="name"
        :lit="probed"
        :red="row.check.redPad"
        :black="row.check.blackPad"
        @pad="$emit('pad', $event)"
      />
      <div>
        <div ref="place" tabindex="-1" class="place" aria-live="polite" data-testid="bench-check">
          <CheckCard ref="card" large :row="row" @take="(...t) => emit('take', ...t)" />
        </div>
        <footer>
          <v-btn size="x-large" variant="outlined" data-do="back" @click="$emit('walk', -1)"
            >Back <v-kbd aria-hidden="true">↑</v-kbd></v-btn
          >
          <span class="quiet">{{ number }} of {{ rows.length }}</span>
          <v-btn
            size="x-large"
            variant="outlined"
            data-do="undo-reading"
            :disabled="!canUndo"
            @click="$emit('undo')"
            >Undo <v-kbd aria-hidden="true">U</v-kbd></v-btn
          >
          <v-btn size="x-large" variant="outlined" data-do="later" @click="$emit('walk', 1)"
            >Skip <v-kbd aria-hidden="true">↓</v-kbd></v-btn
          >
        </footer>
      </div>
    </div>
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

.progress,
.phase {
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
  grid-template-columns: minmax(0, 5fr) minmax(0, 7fr);
  gap: 24px;
  align-items: start;
}

.place:focus {
  outline: none;
}

footer {
  display: flex;
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
    max-width: 380px;
    margin: 0 auto;
    order: 1;
  }
}

/* On a phone each button keeps its place in view. */
@media (max-width: 600px) {
  header,
  footer {
    flex-wrap: wrap;
  }

  footer .v-btn {
    flex: 1 1 0;
    min-width: 0;
    padding: 0 8px;
  }

  footer .quiet {
    flex-basis: 100%;
    order: 1;
    text-align: center;
  }
}
</style>
