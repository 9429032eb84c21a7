<script setup lang="ts">
import { computed } from 'vue'
import type { FacePad } from '@/api/client'
import OtherPad from './OtherPad.vue'
import { bySide, dayOf, type Step } from './useLoom'

/**
 * The work in its order, grouped by how the board lies. Each step has its box to tick; the chosen one tells how, what to look at
 * afterwards, and takes another pad where one was used.
 */
const props = defineProps<{
  steps: Step[]
  shown: Step[]
  chosen: string | null
  pads: FacePad[]
}>()
defineEmits<{
  choose: [id: string]
  tick: [id: string, done: boolean, pad: string | null]
}>()
const groups = computed(() => bySide(props.shown))
const number = computed(() => new Map(props.steps.map((s, i) => [s.id, i + 1])))
</script>

<template>
  <section v-for="(g, i) in groups" :key="i" class="group">
    <h3>{{ g.words }}</h3>
    <ol>
      <li
        v-for="s in g.steps"
        :key="s.id"
        :class="{ chosen: s.id === chosen, done: s.isDone }"
        :data-step="s.id"
      >
        <div class="row">
          <button
            type="button"
            class="tick"
            role="checkbox"
            :aria-checked="s.isDone"
            :aria-label="`Step ${number.get(s.id)} is done`"
            @click="$emit('tick', s.id, !s.isDone, null)"
          >
            <svg viewBox="0 0 20 20" aria-hidden="true">
              <rect x="1" y="1" width="18" height="18" />
              <path v-if="s.isDone" d="M4.5 10.5l4 4 7.5-9" />
            </svg>
          </button>
          <button
            type="button"
            class="what"
            :aria-expanded="s.id === chosen"
            @click="$emit('choose', s.id)"
          >
            <span class="n">{{ number.get(s.id) }}</span>
            <span class="words">{{ s.words }}</span>
            <time v-if="s.isDone && s.doneOn" class="quiet">{{ dayOf(s.doneOn) }}</time>
          </button>
        </div>
        <div v-if="s.id === chosen" class="more">
          <p v-if="s.iron">{{ s.iron }}</p>
          <p v-if="s.look" class="look">{{ s.look }}</p>
          <OtherPad
            v-if="s.topic === 'joint' || s.topic === 'splice'"
            class="no-print"
            :pads="pads"
            :planned="s.pads"
            @used="(pad: string) => $emit('tick', s.id, true, pad)"
          />
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
  border-left: 4px solid transparent;
  break-inside: avoid;
}

.row {
  display: flex;
}

button {
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}

.tick {
  flex: none;
  width: 44px;
  min-height: 44px;
  padding: 11px 0 0;
}

.tick svg {
  width: 22px;
  height: 22px;
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.5;
}

.tick path {
  stroke-width: 2.5;
}

.what {
  display: flex;
  flex: 1;
  gap: 10px;
  min-width: 0;
  min-height: 44px;
  padding: 9px 8px 9px 0;
  text-align: left;
}

.row:hover,
.chosen {
  background: var(--sheet);
}

.chosen {
  border-left-color: var(--chosen);
}

.chosen .what {
  font-weight: 600;
}

.done .words,
.done .n {
  color: var(--ink-2);
}

.n {
  flex: none;
  min-width: 24px;
  color: var(--ink-2);
  font-variant-numeric: tabular-nums;
  text-align: right;
}

.words {
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}

time {
  flex: none;
  font-size: 0.875rem;
  font-weight: 400;
}

.more {
  padding: 0 12px 10px 78px;
}

.look {
  margin-top: 4px;
  color: var(--ink-2);
}

@media print {
  .tick,
  .what {
    min-height: 0;
    padding-top: 3px;
    padding-bottom: 3px;
    font-size: 10pt;
  }

  .tick {
    width: 26px;
  }

  .tick svg {
    width: 13px;
    height: 13px;
  }

  .chosen {
    border-left-color: transparent;
  }

  .chosen .what {
    font-weight: 400;
  }

  .more {
    display: none;
  }
}
</style>
