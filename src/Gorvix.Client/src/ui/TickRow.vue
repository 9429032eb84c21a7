<script setup lang="ts">
import { dayOf } from './dayOf'

/** A line of a list that is worked through: a box to tick, a number, words, and more when it is chosen. */
defineProps<{
  /** What stands before the words. */
  number: string | number
  words: string
  isDone: boolean
  doneOn: string | null
  chosen: boolean
  /** What the box says to a reader of the screen. */
  tickLabel: string
  /** True while something must be done before it. */
  waits?: boolean
}>()
defineEmits<{ choose: []; tick: [done: boolean] }>()
</script>

<template>
  <li :class="{ chosen, done: isDone }">
    <div class="row">
      <button
        type="button"
        class="tick"
        role="checkbox"
        :aria-checked="isDone"
        :aria-label="tickLabel"
        :disabled="waits"
        @click="$emit('tick', !isDone)"
      >
        <svg viewBox="0 0 20 20" aria-hidden="true">
          <rect x="1" y="1" width="18" height="18" />
          <path v-if="isDone" d="M4.5 10.5l4 4 7.5-9" />
        </svg>
      </button>
      <button type="button" class="what" :aria-expanded="chosen" @click="$emit('choose')">
        <span class="n">{{ number }}</span>
        <span class="words">{{ words }}</span>
        <slot name="glyph" />
        <time v-if="isDone && doneOn" class="quiet">{{ dayOf(doneOn) }}</time>
      </button>
    </div>
    <div v-if="chosen" class="more"><slot /></div>
  </li>
</template>

<style scoped>
.tick:disabled {
  cursor: default;
  opacity: 0.35;
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
