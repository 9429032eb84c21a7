<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import type { Answer } from '@/api/client'
import { limits } from '@/api/limits'
import { dayOf } from '@/ui/dayOf'
import StateMark from '@/ui/StateMark.vue'
import MeterField from './MeterField.vue'
import { answerWords, goodAnswer, judge, numberOf, type Row, unitOf } from './useBench'

/** One check: where the probes go, what should be seen, what is seen, what that comes to, and what next. */
const props = defineProps<{
  row: Row
  /** True at arm's length. */
  large?: boolean
}>()
const emit = defineEmits<{
  take: [value: number | null, answer: Answer | null, reason: string | null]
}>()

const typed = ref('')
const reason = ref('')
const error = ref('')
const field = useTemplateRef('field')
const check = computed(() => props.row.check)
const unit = computed(() => unitOf(check.value))
const value = computed(() => numberOf(typed.value))
// What the number would come to, while it is typed.
const forecast = computed(() =>
  value.value === null ? undefined : judge(check.value, value.value, null),
)
const needsReason = computed(() => props.row.against !== null)
const again = computed(() => props.row.state === 'dueAgain')

watch(
  () => check.value.id,
  () => {
    typed.value = reason.value = error.value = ''
  },
)

function give(number: number | null, answer: Answer | null) {
  if (needsReason.value && reason.value.trim() === '') {
    error.value = 'Give a reason to proceed.'
    void nextTick(() => document.querySelector<HTMLElement>('[data-field="reason"] input')?.focus())
    return
  }
  emit('take', number, answer, needsReason.value ? reason.value.trim() : null)
  typed.value = reason.value = error.value = ''
}
defineExpose({
  /** What an instrument shows is taken as a hand would take it. */
  give,
  good: () => give(null, goodAnswer(check.value)),
  answer: (answer: Answer) => give(null, answer),
  type: () => field.value?.focus(),
})
</script>

<template>
  <article class="card" :class="{ large }" :data-check="check.id" :data-state="row.state">
    <header>
      <StateMark :state="row.state" :size="large ? 30 : 24" />
      <h3>{{ check.title }}</h3>
    </header>
    <ul v-if="(check.mind ?? []).length > 0" class="mind">
      <li v-for="m in check.mind" :key="m">{{ m }}</li>
    </ul>
    <p class="do">{{ check.do }}</p>
    <dl>
      <template v-if="check.red">
        <dt><span v-if="large" class="tip red" aria-hidden="true">R</span> Red probe</dt>
        <dd class="label">{{ check.red }}</dd>
        <dt><span v-if="large" class="tip" aria-hidden="true">B</span> Black probe</dt>
        <dd class="label">{{ check.black ?? 'any ground' }}</dd>
      </template>
      <dt>Expected</dt>
      <dd class="expected">{{ check.expected }}</dd>
    </dl>

    <p v-if="row.against" class="against" role="alert" data-testid="against">
      {{ row.against }}
      <v-text-field
        v-model="reason"
        data-field="reason"
        aria-label="Reason to proceed"
        placeholder="Reason to proceed"
        :maxlength="limits.reason"
        @click.stop
      />
    </p>
    <p v-if="error" class="error" role="alert">{{ error }}</p>

    <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions, vuejs-accessibility/click-events-have-key-events -->
    <div class="answers" @click.stop>
      <MeterField
        v-if="unit"
        ref="field"
        v-model="typed"
        :unit="unit"
        :label="`Meter reading, ${unit}`"
        action="Save reading"
        example="4.98, 490 m or 12 k"
        @give="give($event, null)"
      />
      <v-btn
        v-for="(a, i) in check.answers"
        :key="a.answer"
        variant="outlined"
        :size="large ? 'x-large' : 'default'"
        :data-answer="a.answer"
        @click="give(null, a.answer)"
        >{{ answerWords(check, a.answer) }}<v-kbd aria-hidden="true">{{ i + 1 }}</v-kbd></v-btn
      >
    </div>
    <p v-if="forecast" class="judged" :class="forecast.mark" data-testid="forecast">
      {{ forecast.words }}
    </p>

    <section
      v-if="row.last && !again"
      class="judged"
      :class="row.last.judgement.mark"
      aria-live="polite"
    >
      <p data-testid="judged">
        <strong>{{ row.last.read }}</strong>: {{ row.last.judgement.words }}
      </p>
      <p v-if="row.last.judgement.look" class="look" data-testid="look">
        Next: {{ row.last.judgement.look }}
      </p>
      <p v-if="row.last.judgement.mark !== 'good'">
        <RouterLink :to="{ name: 'faults' }" data-do="faults">Possible causes</RouterLink>
      </p>
      <p class="quiet small">
        {{ dayOf(row.last.at) }}{{ row.last.who ? `, ${row.last.who}` : '' }}
      </p>
    </section>
    <section v-if="again" class="judged again" data-testid="changed">
      <p>Read {{ row.last ? dayOf(row.last.at) : 'earlier' }}. Changed since:</p>
      <ul>
        <li v-for="c in row.changed" :key="c">{{ c }}</li>
      </ul>
    </section>
    <p v-if="!large && (again || row.last?.judgement.mark !== 'good')" class="quiet small proves">
      Confirms: {{ check.proves }}
    </p>
    <slot />
  </article>
</template>

<style scoped>
.card {
  padding: 12px 14px;
  border: 1px solid var(--line);
  background: var(--sheet);
}

header {
  display: flex;
  gap: 10px;
  align-items: center;
  margin-bottom: 6px;
}

h3 {
  font-size: 1.1875rem;
  font-weight: 650;
  line-height: 1.2;
  overflow-wrap: anywhere;
}

.mind {
  margin: 0 0 8px;
  padding-left: 10px;
  border-left: 3px solid var(--warn);
}

dl {
  display: grid;
  grid-template-columns: max-content minmax(0, 1fr);
  gap: 2px 12px;
  margin: 6px 0;
}

dt {
  color: var(--ink-2);
}

.expected {
  font-weight: 600;
}

.against {
  margin: 8px 0;
  padding-left: 10px;
  border-left: 3px solid var(--stop);
}

.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin: 10px 0 6px;
}

/* Alike and always in the same place: nobody presses what the colour wants. */
.answers > .v-btn {
  flex: 1 1 0;
  min-width: 0;
  max-width: 190px;
}

.answers > form {
  flex-basis: 100%;
}

.judged {
  margin-top: 8px;
  padding-left: 10px;
  border-left: 4px solid var(--line);
}

.judged.good {
  border-left-color: var(--chosen);
}

.judged.doubtful {
  border-left-color: var(--warn);
}

.judged.stop {
  border-left-color: var(--stop);
}

.look {
  font-weight: 600;
}

.again ul {
  margin-top: 2px;
  font-family: var(--mono);
  font-size: 0.875rem;
}

.proves {
  margin-top: 8px;
}

.tip {
  display: inline-flex;
  justify-content: center;
  width: 30px;
  background: var(--ink);
  color: var(--ground);
  font-family: var(--mono);
  font-weight: 700;
}

.tip.red {
  background: var(--stop);
}

.large {
  padding: 0;
  border: 0;
}

.large h3 {
  font-size: 1.75rem;
}

.large dl {
  gap: 6px 14px;
}

.large .expected {
  font-size: 1.5rem;
}

.large :deep(input) {
  width: 130px;
  min-height: 52px;
  font-size: 1.5rem;
}
</style>
