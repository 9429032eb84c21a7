<script setup lang="ts">
import { computed } from 'vue'
import { bySide, type Step } from './useLoom'

/** The work in its order, grouped by how the board lies; the chosen step tells how, and what to look at afterwards. */
const props = defineProps<{ steps: Step[]; chosen: string | null }>()
defineEmits<{ choose: [id: string] }>()
const groups = computed(() => bySide(props.steps))
const number = computed(() => new Map(props.steps.map((s, i) => [s.id, i + 1])))
</script>

<template>
  <section v-for="(g, i) in groups" :key="i" class="group">
    <h3>{{ g.words }}</h3>
    <ol>
      <li v-for="s in g.steps" :key="s.id" :class="{ chosen: s.id === chosen }" :data-step="s.id">
        <button type="button" :aria-expanded="s.id === chosen" @click="$emit('choose', s.id)">
          <span class="box" aria-hidden="true"></span>
          <span class="n">{{ number.get(s.id) }}</span>
          <span class="words">{{ s.words }}</span>
        </button>
        <div class="more" :class="{ shown: s.id === chosen }">
          <p v-if="s.iron">{{ s.iron }}</p>
          <p v-if="s.look" class="look">{{ s.look }}</p>
        </div>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.group {
  margin-bottom: 12px;
}

h3 {
  padding: 2px 0;
  border-bottom: 2px solid var(--ink);
  font-weight: 650;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  border-bottom: 1px solid var(--line-faint);
  break-inside: avoid;
}

button {
  display: flex;
  gap: 10px;
  width: 100%;
  min-height: 44px;
  padding: 9px 8px 9px 4px;
  border: 0;
  border-left: 4px solid transparent;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

button:hover {
  background: var(--sheet);
}

.chosen button {
  border-left-color: var(--chosen);
  background: var(--sheet);
  font-weight: 600;
}

.n {
  flex: none;
  min-width: 24px;
  color: var(--ink-2);
  font-variant-numeric: tabular-nums;
  text-align: right;
}

.words {
  overflow-wrap: anywhere;
}

.more {
  display: none;
  padding: 0 12px 10px 46px;
  background: var(--sheet);
}

.more.shown {
  display: block;
}

.look {
  margin-top: 4px;
  color: var(--ink-2);
}

.box {
  display: none;
}

@media print {
  button {
    min-height: 0;
    padding: 3px 0;
    font-size: 10pt;
  }

  .chosen button {
    border-left-color: transparent;
    font-weight: 400;
  }

  .more,
  .more.shown {
    display: none;
  }

  .box {
    display: block;
    flex: none;
    width: 12px;
    height: 12px;
    margin-top: 3px;
    border: 1px solid #000;
  }
}
</style>
