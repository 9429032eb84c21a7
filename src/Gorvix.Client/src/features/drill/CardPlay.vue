<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { CardDrillSheet, DrillView } from '@/api/client'
import BoardFace from '@/features/board/BoardFace.vue'

/** Questions in a row: one at a time, answered by a word or by pointing at a pad; what is right is told at once. */
const props = defineProps<{
  sheet: CardDrillSheet
  view: DrillView
  ended: boolean
  busy: boolean
}>()
const emit = defineEmits<{ answer: [card: string, value: string, seconds: number] }>()

// How many answers were looked at; the last one stays until the next question is asked for.
const read = ref(props.sheet.answered.length)
const pointed = ref<string | null>(null)
let since = performance.now()

const told = computed(() =>
  props.sheet.answered.length > read.value ? props.sheet.answered[read.value] : null,
)
const asked = computed(() => told.value?.asked ?? (props.ended ? null : props.sheet.next))
const lit = computed(() => {
  if (told.value)
    return told.value.rightPads.length > 0 ? told.value.rightPads : told.value.asked.pads
  return pointed.value ? [pointed.value] : (asked.value?.pads ?? [])
})
const number = computed(() => Math.min(props.sheet.count, read.value + 1))

watch(
  () => asked.value?.card,
  () => {
    pointed.value = null
    since = performance.now()
  },
)
function say(value: string) {
  if (told.value || !asked.value || props.busy) return
  emit('answer', asked.value.card, value, Math.round((performance.now() - since) / 100) / 10)
}
function point(pad: string) {
  if (told.value || !asked.value || asked.value.choices.length > 0) return
  if (pointed.value === pad) say(pad)
  else pointed.value = pad
}
function next() {
  if (told.value) read.value++
}
defineExpose({
  answer: (at: number) => {
    const choice = asked.value?.choices[at]
    if (choice) say(choice.id)
  },
  thatPad: () => {
    if (pointed.value) say(pointed.value)
  },
  next,
})
</script>

<template>
  <div class="cards">
    <section v-if="asked" class="card" aria-label="Question">
      <p class="quiet">{{ number }} of {{ sheet.count }}</p>
      <h2 data-testid="question" :data-card="asked.card">{{ asked.question }}</h2>
      <ol v-if="asked.choices.length > 0">
        <li v-for="(c, i) in asked.choices" :key="c.id">
          <button
            type="button"
            :disabled="busy"
            :aria-disabled="told !== null"
            :class="{
              right: told && told.right === c.words,
              wrong: told && !told.isRight && told.said === c.words,
            }"
            class="choice"
            :data-answer="c.id"
            @click="say(c.id)"
          >
            <v-kbd aria-hidden="true">{{ i + 1 }}</v-kbd><span>{{ c.words }}</span>
          </button>
        </li>
      </ol>
      <template v-else-if="!told">
        <p class="quiet">Select the pad on the board; select it again to answer.</p>
        <v-btn
          color="primary"
          variant="flat"
          data-do="that-pad"
          :disabled="busy || !pointed"
          @click="pointed && say(pointed)"
          >Answer this pad<v-kbd aria-hidden="true">T</v-kbd></v-btn
        >
      </template>
      <div
        v-if="told"
        class="told"
        :class="{ no: !told.isRight }"
        role="status"
        data-testid="told-answer"
      >
        <p>
          <b>{{ told.isRight ? 'Correct.' : `Wrong. Answer: ${told.right}.` }}</b>
          <template v-if="!told.isRight && told.asked.choices.length === 0">
            You chose {{ told.said }}.
          </template>
        </p>
        <p>{{ told.why }}</p>
        <v-btn color="primary" variant="flat" data-do="next" @click="next"
          >{{ read + 1 === sheet.count ? 'Show result' : 'Next question'
          }}<v-kbd aria-hidden="true">N</v-kbd></v-btn
        >
      </div>
    </section>
    <section v-else class="card" aria-label="Answers">
      <h2>Your answers</h2>
      <ul>
        <li
          v-for="a in sheet.answered"
          :key="a.asked.card"
          class="line"
          :class="{ no: !a.isRight }"
        >
          <b>{{ a.asked.question }}</b>
          <span>{{
            a.isRight ? `Correct: ${a.right}.` : `You answered ${a.said}; correct: ${a.right}.`
          }}</span>
          <span class="quiet">{{ a.why }}</span>
        </li>
      </ul>
    </section>
    <BoardFace :face="view.face" :name="view.name" :lit="lit" @pad="point" />
  </div>
</template>

<style scoped>
.cards {
  display: grid;
  grid-template-columns: minmax(0, 6fr) minmax(0, 5fr);
  gap: 32px;
  align-items: start;
}

h2 {
  margin: 4px 0 14px;
  font-size: 1.375rem;
  font-weight: 600;
  line-height: 1.3;
  text-wrap: balance;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

ol li {
  margin-bottom: 8px;
}

.choice {
  display: flex;
  gap: 12px;
  align-items: center;
  width: 100%;
  min-height: 48px;
  padding: 6px 12px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.choice:hover:not(:disabled, [aria-disabled='true']) {
  border-color: var(--ink);
}

.choice[aria-disabled='true'] {
  cursor: default;
}

.choice.right {
  border: 2px solid var(--chosen);
}

.choice.wrong {
  border-color: var(--stop);
}

.choice.wrong span {
  text-decoration: line-through;
}

.choice .v-kbd {
  flex: none;
  align-self: center;
  height: 20px;
}

.told {
  margin-top: 12px;
  padding-left: 12px;
  border-left: 4px solid var(--chosen);
}

.told.no,
.line.no {
  border-left-color: var(--stop);
}

.told .v-btn {
  margin-top: 10px;
}

.line {
  display: flex;
  flex-direction: column;
  gap: 2px;
  margin-bottom: 10px;
  padding-left: 10px;
  border-left: 4px solid var(--chosen);
}

@media (max-width: 900px) {
  .cards {
    grid-template-columns: minmax(0, 1fr);
    gap: 16px;
  }
}
</style>
