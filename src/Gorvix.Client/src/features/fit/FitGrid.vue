<script setup lang="ts">
import { computed, nextTick, useTemplateRef } from 'vue'
import type { FitCell, FitSheet } from '@/api/client'
import { useLetters } from '@/ui/useLetters'
import FitGridCell from './FitGridCell.vue'
import PortHead from './PortHead.vue'

/** Links down, ports across. Arrow keys walk, Enter pins, X bans. */
const props = defineProps<{ sheet: FitSheet; link: string; port: string }>()
const emit = defineEmits<{
  select: [link: string, port: string]
  pin: [link: string, cell: FitCell]
  ban: [link: string, cell: FitCell]
}>()

/** Links without which a link that is left out would fit. */
const hasSolder = computed(() => props.sheet.links.some((l) => l.cells.some((c) => c.soldered)))
const inTheWay = computed(() => new Set(props.sheet.conflicts.flatMap((c) => c.links)))
const letters = useLetters()
const grid = useTemplateRef<HTMLElement>('grid')
const steps: Record<string, [down: number, right: number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
  Home: [0, -99],
  End: [0, 99],
}

function clamp(value: number, count: number) {
  return Math.min(Math.max(value, 0), count - 1)
}

async function walk(event: KeyboardEvent) {
  const row = props.sheet.links.findIndex((l) => l.id === props.link)
  const column = props.sheet.ports.findIndex((p) => p.id === props.port)
  const cell = props.sheet.links[row]?.cells[column]
  const step = steps[event.key]
  if (event.ctrlKey || event.metaKey || event.altKey || !cell) return
  if (step) {
    const link = props.sheet.links[clamp(row + step[0], props.sheet.links.length)]
    const port = props.sheet.ports[clamp(column + step[1], props.sheet.ports.length)]
    if (link && port) emit('select', link.id, port.id)
    event.preventDefault()
    await nextTick()
    grid.value?.querySelector<HTMLElement>('[tabindex="0"]')?.focus()
  } else if (event.key === 'Enter') {
    emit('pin', props.link, cell)
    event.preventDefault()
  } else if (letters.value && (event.key === 'x' || event.key === 'X')) {
    emit('ban', props.link, cell)
  }
}
</script>

<template>
  <div class="scroll">
    <table
      ref="grid"
      class="grid"
      :class="{ dense: sheet.links.length > 6 }"
      role="grid"
      aria-label="Links and ports"
      @keydown="walk"
    >
      <thead>
        <tr role="row">
          <td class="corner">
            <span class="board">{{ sheet.board }}, {{ sheet.controller }}-class</span>
            <span class="legend">■ chosen</span> <span class="legend">□ possible</span>
            <span class="legend">╱ blocked</span>
            <span v-if="hasSolder" class="legend">• wired</span>
          </td>
          <PortHead
            v-for="column in sheet.ports"
            :key="column.id"
            :port="column"
            :lit="column.id === port"
          />
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in sheet.links" :key="row.id" role="row">
          <th role="rowheader" scope="row" class="row" :class="{ lit: row.id === link }">
            <span class="need"
              >{{ row.need }}<span v-if="row.lack" class="none"> – {{ row.lack }}</span
              ><span v-else-if="inTheWay.has(row.id)" class="clash"> – conflicts</span></span
            >
            <span class="device">
              <template v-for="(word, i) in [...row.device.split(' '), '·', row.priority]" :key="i"
                ><span class="word">{{ word }}</span
                >{{ ' ' }}</template
              >
            </span>
          </th>
          <FitGridCell
            v-for="(cell, i) in row.cells"
            :key="cell.port"
            :cell="cell"
            :name="`${row.need} on ${sheet.ports[i]!.name}`"
            :selected="row.id === link && cell.port === port"
            :clash="inTheWay.has(row.id)"
            :data-cell="`${row.id} ${cell.port}`"
            @click="$emit('select', row.id, cell.port)"
            @dblclick="$emit('pin', props.link, cell)"
          />
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
  border: 1px solid var(--line);
  background: var(--sheet);
}

.grid {
  width: 100%;
  border-spacing: 0;
  table-layout: fixed;
  min-width: calc(216px + 88px * v-bind('sheet.ports.length'));
}

/* Ten columns leave a word or two: small enough for "moves video control" in its row. */
.dense :deep(.text) {
  font-size: 0.8125rem;
  line-height: 1.05;
}

/* By class: a plain "th" would also catch the heads of the columns. */
.corner,
.row {
  position: sticky;
  left: 0;
  z-index: 1;
  width: 216px;
  padding: 4px 12px;
  border-right: 1px solid var(--line);
  background: var(--sheet);
  text-align: left;
}

.corner {
  vertical-align: bottom;
}

@media (max-width: 900px) {
  .corner,
  .row {
    width: 168px;
  }
}

.row {
  height: 52px;
  border-top: 1px solid var(--line-faint);
  font-weight: 400;
  line-height: 1.2;
}

/* More rows than six: a little lower, so that eight are seen at a glance; still tall enough for gloves. */
.dense .row {
  height: 46px;
}

.dense :deep(td .body) {
  min-height: 46px;
}

.board {
  display: block;
  margin-bottom: 4px;
  color: var(--ink-2);
  font-size: 0.875rem;
  line-height: 1.25;
}

.legend {
  color: var(--ink-2);
  margin-right: 4px;
  font-size: 0.8125rem;
  white-space: nowrap;
}

.lit .need {
  color: var(--chosen);
}

.need {
  display: block;
  font-size: 1.0625rem;
  font-weight: 600;
}

.clash {
  color: var(--warn);
  font-weight: 400;
}

.none {
  color: var(--stop);
  font-weight: 400;
}

.device {
  display: block;
  overflow: hidden;
  color: var(--ink-2);
  font-size: 0.875rem;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.word {
  white-space: nowrap;
}

@media (max-width: 900px) {
  .device {
    white-space: normal;
  }
}
</style>
