<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import type { FaultTest, SeenLine } from '@/api/client'

/** What one sees without an instrument: each sign of this build with what it can show; typed words find one. */
const props = defineProps<{
  signs: FaultTest[]
  seen: SeenLine[]
  words: string
  /** True where each sign has a line of its own. */
  wide: boolean
}>()
const emit = defineEmits<{
  say: [test: string, outcome: string]
  unsay: [test: string]
  words: [words: string]
}>()

const field = useTemplateRef<HTMLInputElement>('field')
const told = computed(() => new Map(props.seen.map((s) => [s.test, s])))
const found = computed(() => {
  const asked = props.words.toLowerCase().split(/\s+/).filter(Boolean)
  return props.signs.filter((s) => {
    // What was said already stands in its own list.
    if (!props.wide && told.value.has(s.id)) return false
    const text = [s.title, s.do, ...s.outcomes.map((o) => o.words)].join(' ').toLowerCase()
    return asked.every((w) => text.includes(w))
  })
})
function press(sign: FaultTest, outcome: string) {
  if (told.value.get(sign.id)?.outcome === outcome) emit('unsay', sign.id)
  else emit('say', sign.id, outcome)
}
defineExpose({ find: () => field.value?.focus() })
</script>

<template>
  <section v-if="wide || words || found.length > 0" aria-label="Symptoms" :class="{ wide }">
    <header>
      <h2>{{ wide ? 'Symptoms' : 'More symptoms' }}</h2>
      <span class="find" data-field="say">
        <input
          ref="field"
          type="search"
          :value="words"
          placeholder="sticks, 0.0, light…"
          aria-label="Search symptoms"
          @input="$emit('words', ($event.target as HTMLInputElement).value)"
          @keydown.escape="field?.blur()"
        />
      </span>
    </header>
    <ul>
      <li v-for="s in found" :key="s.id" :data-sign="s.id" :class="{ told: told.has(s.id) }">
        <span class="title">{{ s.title }}</span>
        <span class="outcomes">
          <button
            v-for="o in s.outcomes"
            :key="o.id"
            type="button"
            :class="{ off: !o.isSound }"
            :aria-pressed="told.get(s.id)?.outcome === o.id"
            :data-outcome="o.id"
            :title="o.words"
            @click="press(s, o.id)"
          >
            {{ o.words }}
          </button>
        </span>
      </li>
    </ul>
    <p v-if="found.length === 0 && words" class="quiet" role="status">
      No matching symptom. Try another word.
    </p>
  </section>
</template>

<style scoped>
header {
  display: flex;
  gap: 12px;
  align-items: center;
  margin-bottom: 6px;
}

h2 {
  flex: none;
  font-size: 1.25rem;
  font-weight: 650;
}

input {
  width: 100%;
  min-width: 0;
  min-height: 40px;
  padding: 4px 10px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: inherit;
  font: inherit;
}

.find {
  flex: 1;
  min-width: 0;
}

ul {
  margin: 0 0 10px;
  padding: 0;
  list-style: none;
}

li {
  padding: 7px 0;
  border-top: 1px solid var(--line-faint);
}

.title {
  display: block;
  font-weight: 550;
}

.outcomes {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 4px;
}

.wide li {
  display: grid;
  grid-template-columns: 210px minmax(0, 1fr);
  gap: 12px;
  align-items: center;
  padding: 4px 0;
}

.wide .outcomes {
  margin-top: 0;
}

@media (max-width: 800px) {
  .wide li {
    grid-template-columns: minmax(0, 1fr);
    gap: 2px;
  }
}

button {
  max-width: 100%;
  min-height: 34px;
  padding: 3px 10px;
  border: 1px solid var(--line);
  background: none;
  color: inherit;
  font: inherit;
  font-size: 0.9375rem;
  line-height: 1.25;
  text-align: left;
  cursor: pointer;
}

button.off {
  border-left: 4px solid var(--warn);
}

button[aria-pressed='true'] {
  border-color: var(--chosen);
  background: var(--chosen);
  color: var(--on-chosen);
}

button:disabled {
  cursor: default;
}
</style>
