<script setup lang="ts">
import type { DiffLine } from '@/api/client'

/** Lines of two texts, each with its sign: gone, new, or in both. */
defineProps<{ lines: DiffLine[] }>()
const signs = { same: ' ', gone: '−', new: '+' }
const words = { same: 'unchanged', gone: 'removed', new: 'added' }
</script>

<template>
  <ol class="lines">
    <li v-for="(l, i) in lines" :key="i" :class="l.fate">
      <span class="n">{{ l.was ?? l.is }}</span><span aria-hidden="true" class="sign">{{
        signs[l.fate]
      }}</span
      ><span class="visually-hidden">{{ words[l.fate] }}: </span
      ><span class="text">{{ l.text }}</span>
    </li>
  </ol>
</template>

<style scoped>
.lines {
  margin: 4px 0 0;
  padding: 0;
  font-family: var(--mono);
  font-size: 0.875rem;
  list-style: none;
}

li {
  display: flex;
  gap: 8px;
}

.n {
  flex: none;
  width: 32px;
  color: var(--ink-2);
  text-align: right;
}

.sign {
  flex: none;
  width: 10px;
}

.text {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}

.gone .text {
  color: var(--ink-2);
  text-decoration: line-through;
}

.new .text {
  font-weight: 700;
}
</style>
