<script setup lang="ts">
import { ref } from 'vue'
import type { Due, Interval } from '@/api/client'
import { limits } from '@/api/limits'
import LineField from '@/ui/LineField.vue'

/** What is done again and again, when it is due, and one's own intervals for it. */
const props = defineProps<{
  dues: Due[]
  usual: Interval[]
  busy: boolean
  /** Keeps intervals in place of those there are; false where they were refused. */
  put: (intervals: Interval[]) => Promise<boolean>
}>()
defineEmits<{ done: [id: string] }>()

const words = ref('')
const days = ref('')
const flights = ref('')
const error = ref('')
const all = () => props.dues.map((d) => d.interval)

async function add() {
  const number = (text: string) => (text.trim() === '' ? null : Number(text))
  const [d, f] = [number(days.value), number(flights.value)]
  const isNumber = [d, f].every((n) => n === null || Number.isInteger(n))
  error.value = isNumber ? '' : 'Enter whole numbers for days and flights.'
  if (!isNumber) return
  const base =
    words.value
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .slice(0, 40) || 'interval'
  let id = base
  for (let n = 2; all().some((i) => i.id === id); n++) id = `${base}-${n}`
  const kept = await props.put([...all(), { id, words: words.value.trim(), days: d, flights: f }])
  if (kept) words.value = days.value = flights.value = ''
}
const every = (i: Interval) =>
  [i.days ? `${i.days} days` : '', i.flights ? `${i.flights} flights` : '']
    .filter(Boolean)
    .join(' or ')
</script>

<template>
  <section data-testid="dues">
    <h2>Maintenance</h2>
    <p v-if="dues.length === 0" class="quiet">
      No maintenance scheduled.
      <v-btn variant="text" size="small" data-do="usual" @click="put(usual)">Add usual tasks</v-btn>
    </p>
    <ul>
      <li
        v-for="d in dues"
        :key="d.interval.id"
        :class="{ due: d.isDue }"
        :data-due="d.interval.id"
      >
        <span class="words"
          >{{ d.interval.words }} <span class="quiet">every {{ every(d.interval) }}</span></span
        >
        <span class="when">{{ d.words }}</span>
        <v-btn
          size="small"
          :variant="d.isDue ? 'flat' : 'outlined'"
          :color="d.isDue ? 'primary' : undefined"
          :disabled="busy"
          @click="$emit('done', d.interval.id)"
          >Mark done</v-btn
        >
        <v-btn
          size="small"
          variant="text"
          :aria-label="`Remove task: ${d.interval.words}`"
          @click="put(all().filter((i) => i.id !== d.interval.id))"
          >Remove task</v-btn
        >
      </li>
    </ul>
    <details>
      <summary>Add task</summary>
      <form class="more" @submit.prevent="add">
        <LineField v-slot="{ id }" label="Task" class="what">
          <v-text-field :id="id" v-model="words" data-field="interval" :maxlength="limits.task" />
        </LineField>
        <LineField v-slot="{ id }" label="Days">
          <v-text-field :id="id" v-model="days" data-field="days" inputmode="numeric" />
        </LineField>
        <LineField v-slot="{ id }" label="Flights">
          <v-text-field :id="id" v-model="flights" data-field="every-flights" inputmode="numeric" />
        </LineField>
        <v-btn type="submit" variant="outlined" data-do="interval" :disabled="busy"
          >Save task</v-btn
        >
      </form>
      <p v-if="error" class="error" role="alert">{{ error }}</p>
    </details>
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 4px;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
  padding: 6px 0 6px 10px;
  border-bottom: 1px solid var(--line-faint);
  border-left: 4px solid transparent;
}

.due {
  border-left-color: var(--warn);
}

.words {
  flex: 1 1 200px;
}

.due .when {
  font-weight: 600;
}

summary {
  min-height: 32px;
  padding-top: 6px;
  cursor: pointer;
}

.more {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr) minmax(0, 1fr) auto;
  gap: 8px;
  align-items: end;
}

.error {
  color: var(--stop);
}
</style>
