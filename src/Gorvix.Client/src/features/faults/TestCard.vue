<script setup lang="ts">
import { computed, ref, useTemplateRef, watch } from 'vue'
import type { CauseLine, NextTest } from '@/api/client'
import MeterField from '@/features/bench/MeterField.vue'
import { shareOf } from './useFaults'
import { minutesOf } from '@/ui/minutes'

/** One test: what to do, and for each thing that it can show which of the causes would show it. */
const props = defineProps<{
  next: NextTest
  causes: CauseLine[]
  busy: boolean
  /** True at arm's length. */
  large?: boolean
}>()
const emit = defineEmits<{ say: [outcome: string]; cannot: [] }>()

const typed = ref('')
const field = useTemplateRef('field')
const test = computed(() => props.next.test)
const words = computed(() => new Map(props.causes.map((c) => [c.id, c.words[0] ?? ''])))
const expects = computed(() => new Map(props.next.expects.map((e) => [e.outcome, e])))
// What is expected comes first; what none of the causes shows can be said all the same.
const outcomes = computed(() => {
  const shareAt = (id: string) => expects.value.get(id)?.share ?? -1
  return [...test.value.outcomes].sort((a, b) => shareAt(b.id) - shareAt(a.id))
})
const listed = computed(() => outcomes.value.filter((o) => expects.value.has(o.id)).slice(0, 8))
const rest = computed(() => outcomes.value.filter((o) => !listed.value.includes(o)))
const first = (ids: string[]) => ids.map((i) => words.value.get(i)).filter(Boolean)

watch(
  () => test.value.id,
  () => {
    typed.value = ''
  },
)
function giveNumber(value: number) {
  const band = (test.value.bands ?? []).find(
    (b) => b.upTo === null || b.upTo === undefined || value <= b.upTo,
  )
  if (band) emit('say', band.outcome)
}
defineExpose({
  /** Says the outcome with this number. */
  answer: (at: number) => {
    const outcome = listed.value[at]
    if (outcome) emit('say', outcome.id)
  },
  type: () => field.value?.focus(),
})
</script>

<template>
  <article class="card" :class="{ large }" :data-test="test.id">
    <header>
      <h3>{{ test.title }}</h3>
      <span class="minutes">{{ minutesOf(test.minutes) }}</span>
    </header>
    <p v-if="next.notYet" class="not-yet" role="note">{{ next.notYet }}</p>
    <ul v-if="(test.mind ?? []).length > 0" class="mind">
      <li v-for="m in test.mind" :key="m">{{ m }}</li>
    </ul>
    <p>{{ test.do }}</p>
    <p v-if="test.red" class="probes">
      <span
        >Red probe <b class="label">{{ test.red }}</b></span
      >
      <span
        >Black probe <b class="label">{{ test.black ?? 'any ground' }}</b></span
      >
    </p>
    <MeterField
      v-if="test.unit"
      ref="field"
      v-model="typed"
      :unit="test.unit === 'amps' ? 'A' : 'V'"
      :label="`Meter reading, ${test.unit}`"
      action="Enter reading"
      example="4.98 or 490 m"
      :disabled="busy"
      @give="giveNumber"
    />
    <ol>
      <li v-for="(o, i) in listed" :key="o.id">
        <button
          type="button"
          :disabled="busy"
          :data-outcome="o.id"
          :class="{ sound: o.isSound }"
          @click="$emit('say', o.id)"
        >
          <v-kbd aria-hidden="true">{{ i + 1 }}</v-kbd>
          <span class="shown">{{ o.words }}</span>
          <span class="share">{{ shareOf(expects.get(o.id)!.share) }}</span>
        </button>
        <span class="then">
          {{ first(expects.get(o.id)!.causes).slice(0, 2).join('; ')
          }}{{
            expects.get(o.id)!.causes.length > 2
              ? `; ${expects.get(o.id)!.causes.length - 2} more`
              : ''
          }}
        </span>
      </li>
    </ol>
    <details v-if="rest.length > 0">
      <summary>Other results</summary>
      <button
        v-for="o in rest"
        :key="o.id"
        type="button"
        :disabled="busy"
        :data-outcome="o.id"
        @click="$emit('say', o.id)"
      >
        {{ o.words }}
      </button>
    </details>
    <v-btn variant="text" data-do="cannot" :disabled="busy" @click="$emit('cannot')"
      >Skip test<v-kbd aria-hidden="true">C</v-kbd></v-btn
    >
  </article>
</template>

<style scoped>
.card {
  padding: 12px 14px;
  border: 1px solid var(--ink);
  background: var(--sheet);
}

.large {
  padding: 0;
  border: 0;
}

.large h3 {
  font-size: 1.75rem;
  line-height: 1.2;
}

header {
  display: flex;
  gap: 12px;
  align-items: baseline;
  justify-content: space-between;
}

h3 {
  font-size: 1.1875rem;
  font-weight: 650;
}

.minutes {
  flex: none;
  color: var(--ink-2);
}

.not-yet,
.mind {
  margin: 6px 0;
  padding-left: 10px;
  border-left: 3px solid var(--warn);
  list-style: none;
}

.probes {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  margin-top: 4px;
}

form {
  margin-top: 8px;
}

ol {
  margin: 10px 0 6px;
  padding: 0;
  list-style: none;
}

li + li {
  margin-top: 8px;
}

.card :is(ol, details) button {
  display: flex;
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 40px;
  padding: 4px 10px;
  border: 1px solid var(--line);
  background: var(--ground);
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.card.large :is(ol, details) button {
  min-height: 52px;
}

.card :is(ol, details) button:hover:not(:disabled) {
  border-color: var(--ink);
}

button .v-kbd {
  flex: none;
  align-self: center;
  height: 20px;
}

.shown {
  flex: 1;
  font-weight: 550;
}

.share {
  flex: none;
  font-variant-numeric: tabular-nums;
}

.then {
  display: block;
  margin: 2px 0 0 12px;
  color: var(--ink-2);
  font-size: 0.9375rem;
}

details button {
  margin-top: 6px;
}

summary {
  min-height: 36px;
  cursor: pointer;
}
</style>
