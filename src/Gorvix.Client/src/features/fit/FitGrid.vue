<script setup lang="ts">
import { useResizeObserver, useScroll } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
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
// A port that nothing here could use needs no room for words.
const wide = computed(() =>
  props.sheet.ports.map((_, i) => {
    const cells = props.sheet.links.map((l) => l.cells[i])
    return cells.some((c) => c?.state === 'possible')
      ? 80
      : cells.some((c) => c && !c.quiet)
        ? 72
        : 60
  }),
)
const least = computed(() => `${wide.value.reduce((sum, w) => sum + w, 0)}px`)
const letters = useLetters()
const grid = useTemplateRef<HTMLElement>('grid')

/** Ports whose columns are cut at either side. */
const cut = ref<{ left: string[]; right: string[] }>({ left: [], right: [] })
const pane = useTemplateRef<HTMLElement>('pane')
const { x } = useScroll(pane)
function measure() {
  const seen = pane.value?.getBoundingClientRect()
  const first = pane.value?.querySelector('.corner')?.getBoundingClientRect()
  if (!seen || !first) return
  const heads = [...(pane.value?.querySelectorAll('[role="columnheader"]') ?? [])].map((h) =>
    h.getBoundingClientRect(),
  )
  const named = (is: (b: DOMRect) => boolean) =>
    props.sheet.ports.filter((_, i) => heads[i] && is(heads[i])).map((p) => p.id)
  cut.value = {
    left: named((b) => b.left < first.right - 8),
    right: named((b) => b.right > seen.right + 8),
  }
}
useResizeObserver(pane, measure)
watch([x, () => props.sheet.ports], measure, { flush: 'post' })
const aside = (by: number) =>
  pane.value?.scrollBy({ left: by * 0.7 * pane.value.clientWidth, behavior: 'smooth' })
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
  <p v-if="cut.left.length + cut.right.length > 0" class="cut no-print" data-testid="cut">
    <v-btn v-if="cut.left.length > 0" size="small" variant="text" tabindex="-1" @click="aside(-1)"
      >← {{ cut.left.join(', ') }}</v-btn
    >
    <v-btn
      v-if="cut.right.length > 0"
      class="right"
      size="small"
      variant="text"
      tabindex="-1"
      @click="aside(1)"
      >{{ cut.right.join(', ') }} →</v-btn
    >
  </p>
  <div ref="pane" class="scroll">
    <table
      ref="grid"
      class="grid"
      :class="{ dense: sheet.links.length > 6, many: sheet.ports.length > 7 }"
      role="grid"
      aria-label="Links and ports"
      @keydown="walk"
    >
      <colgroup>
        <col class="names" />
        <col v-for="(p, i) in sheet.ports" :key="p.id" :style="{ width: `${wide[i]}px` }" />
      </colgroup>
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

.cut {
  display: flex;
  margin-top: -8px;
}

.cut .right {
  margin-left: auto;
}

.grid {
  width: 100%;
  border-spacing: 0;
  table-layout: fixed;
  min-width: calc(216px + v-bind(least));
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

@media (max-width: 1439px) {
  .grid {
    min-width: calc(176px + v-bind(least));
  }

  .corner,
  .row {
    width: 176px;
  }
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

/* Many ports beside the panel leave a word of room. */
@media (max-width: 1439px) {
  .many :deep(.body) {
    gap: 5px;
    padding: 0 4px 0 5px;
  }

  .many :deep(.text) {
    font-size: 0.75rem;
  }

  .many :deep(.mark) {
    width: 10px;
    height: 10px;
  }
}
</style>
