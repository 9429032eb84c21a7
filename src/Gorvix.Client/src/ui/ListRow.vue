<script setup lang="ts">
import type { CheckState } from '@/api/client'
import StateMark from './StateMark.vue'

/** A line of a list that is worked through: how it stands, a number, words, what stands at its end, and more when it is chosen. */
defineProps<{
  /** What it is scrolled to by. */
  id: string
  words: string
  chosen: boolean
  /** How it stands; none where there is nothing to be said of that. */
  state?: CheckState
  number?: string | number
  /** What stands at its end: what was read, the day, the minutes. */
  end?: string | null
  /** What the box says to a reader of the screen; a row without is not ticked by hand. */
  tickLabel?: string
  /** True while something must be done before it. */
  waits?: boolean
}>()
defineEmits<{ choose: []; tick: [done: boolean] }>()
</script>

<template>
  <li :data-row="id" :class="{ chosen, done: tickLabel && state === 'proved' }">
    <div class="row">
      <button
        v-if="tickLabel"
        type="button"
        class="tick"
        role="checkbox"
        :aria-checked="state === 'proved'"
        :aria-label="tickLabel"
        :disabled="waits"
        @click="$emit('tick', state !== 'proved')"
      >
        <StateMark mute :state="state ?? 'open'" :size="22" />
      </button>
      <button
        type="button"
        class="what"
        :aria-expanded="$slots.default ? chosen : undefined"
        :aria-current="chosen ? 'step' : undefined"
        @click="$emit('choose')"
      >
        <StateMark v-if="state && !tickLabel" :state="state" />
        <span v-if="number !== undefined" class="n">{{ number }}</span>
        <span class="words">{{ words }}</span>
        <slot name="glyph" />
        <span v-if="end" class="end quiet">{{ end }}</span>
      </button>
    </div>
    <div v-if="chosen && $slots.default" class="more"><slot /></div>
  </li>
</template>

<style scoped>
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
  align-self: flex-start;
  width: 44px;
  height: 44px;
  padding: 4px 0 0;
}

.tick:disabled {
  cursor: default;
  opacity: 0.35;
}

.what {
  display: flex;
  flex: 1;
  gap: 10px;
  align-items: center;
  min-width: 0;
  min-height: 38px;
  padding: 4px 8px;
  text-align: left;
}

.tick + .what {
  align-items: baseline;
  min-height: 44px;
  padding: 9px 8px 9px 0;
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

.done :is(.words, .n) {
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
  flex: 1 1 55%;
  min-width: 0;
  overflow-wrap: anywhere;
}

.end {
  flex: 0 1 auto;
  max-width: 40%;
  overflow: hidden;
  font-size: 0.9375rem;
  font-weight: 400;
  text-align: right;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.more {
  padding: 0 12px 10px;
}

.row:has(.tick) + .more {
  padding-left: 78px;
}

@media print {
  .tick,
  .what {
    height: auto;
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
