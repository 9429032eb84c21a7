<script setup lang="ts">
import type { CauseLine } from '@/api/client'
import { shareOf } from './useFaults'

/** What it can be, the likeliest first; each as long as it is likely. */
defineProps<{ causes: CauseLine[]; others: number; chosen: string | null }>()
defineEmits<{ choose: [id: string] }>()
</script>

<template>
  <ol class="causes">
    <li v-for="c in causes" :key="c.id">
      <button
        type="button"
        :aria-pressed="c.id === chosen"
        :data-cause="c.id"
        @click="$emit('choose', c.id)"
      >
        <span class="bar" aria-hidden="true" :style="{ width: `${Math.max(1, c.share * 100)}%` }" />
        <span class="words"
          >{{ c.words[0]
          }}<span v-if="c.words.length > 1" class="quiet">
            (or {{ c.words.length - 1 }} more)</span
          ></span
        >
        <span class="share">{{ shareOf(c.share) }}</span>
      </button>
    </li>
  </ol>
  <p v-if="others > 0" class="quiet">
    {{ others === 1 ? '1 other' : `${others} others` }} now very unlikely.
  </p>
</template>

<style scoped>
.causes {
  margin: 0 0 6px;
  padding: 0;
  list-style: none;
}

button {
  position: relative;
  display: flex;
  gap: 10px;
  align-items: baseline;
  width: 100%;
  min-height: 40px;
  padding: 7px 8px 9px;
  border: 0;
  border-top: 1px solid var(--line-faint);
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

button[aria-pressed='true'] {
  background: var(--sheet);
  font-weight: 600;
}

.bar {
  position: absolute;
  bottom: 0;
  left: 0;
  height: 4px;
  background: var(--ink);
}

button[aria-pressed='true'] .bar {
  background: var(--chosen);
}

.words {
  flex: 1;
}

.share {
  flex: none;
  color: var(--ink-2);
  font-variant-numeric: tabular-nums;
}
</style>
