<script setup lang="ts">
import { computed } from 'vue'
import type { FitCell } from '@/api/client'

/** One link on one port: a filled square is chosen, an open one possible, a stroke blocked. */
const props = defineProps<{
  cell: FitCell
  name: string
  selected: boolean
  /** True when the link takes part in why another one is left out. */
  clash?: boolean
}>()

const spoken = computed(() => {
  const state = {
    chosen: `chosen, ${props.cell.text}`,
    possible: `possible, ${props.cell.text}`,
    blocked: `blocked, ${props.cell.code ?? ''}`,
  }[props.cell.state]
  // What is spoken has the words that are seen.
  const wish = props.cell.mark ? ` ${props.cell.mark}` : ''
  const wired = props.cell.soldered ? ', already wired' : ''
  return `${props.name}: ${state}${wish}${wired}`
})

// "PPM/SBUS" may go on two lines, "SBUS" may not.
const pieces = computed(() => props.cell.text.split(/(?<=\/)/))
</script>

<template>
  <td
    role="gridcell"
    :class="[cell.state, { selected, clash: clash && cell.state === 'chosen' }]"
    :tabindex="selected ? 0 : -1"
    :aria-selected="selected"
    :aria-label="spoken"
  >
    <span class="body">
      <svg class="mark" viewBox="0 0 12 12" aria-hidden="true">
        <rect v-if="cell.state === 'chosen'" class="full" x="1" y="1" width="10" height="10" />
        <rect v-else-if="cell.state === 'possible'" x="1.5" y="1.5" width="9" height="9" />
        <path v-else d="M1.5 10.5l9-9" />
        <circle v-if="cell.soldered" class="solder" cx="6" cy="6" r="2.6" />
      </svg>
      <span
        v-if="!cell.quiet || selected"
        class="text"
        :class="{ label: cell.state !== 'possible' }"
        ><template v-for="(piece, i) in pieces" :key="i"
          ><wbr v-if="i > 0" />{{ piece }}</template
        ></span
      >{{ ' ' }}<span v-if="cell.mark" class="wish">{{ cell.mark }}</span>
    </span>
  </td>
</template>

<style scoped>
/* A height that is a mere start lets what is inside fill the row, however tall the row's name makes it. */
td {
  position: relative;
  height: 1px;
  padding: 0;
  border-top: 1px solid var(--line-faint);
  border-left: 1px solid var(--line-faint);
  cursor: pointer;
}

.body {
  display: flex;
  gap: 6px;
  align-items: center;
  height: 100%;
  min-height: 52px;
  padding: 0 7px;
  font-size: 0.9375rem;
  line-height: 1.15;
}

.mark {
  width: 12px;
  height: 12px;
  flex: none;
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.5;
}

.full {
  fill: currentcolor;
}

.text {
  overflow: hidden;
  text-overflow: ellipsis;
}

.text.label {
  font-size: 0.8125rem;
}

.chosen .body {
  background: var(--chosen);
  color: var(--on-chosen);
}

.chosen .text {
  font-weight: 600;
}

.blocked {
  background: var(--ground);
  color: var(--ink-2);
}

.clash .body {
  background: var(--sheet);
  box-shadow: inset 0 0 0 2px var(--warn);
  color: var(--ink);
}

/* A drop of solder: light on the full square, dark elsewhere. */
.mark .solder {
  fill: var(--ink);
  stroke: var(--ground);
  stroke-width: 1;
}

.chosen .mark .solder {
  fill: var(--chosen);
  stroke: none;
}

.clash .mark {
  color: var(--warn);
}

.wish {
  margin-left: auto;
  padding: 0 4px;
  border: 1px solid currentcolor;
  font-size: 0.75rem;
  line-height: 1.35;
}

td:hover .body {
  box-shadow: inset 0 0 0 1px var(--line);
}

td:hover.clash .body {
  box-shadow: inset 0 0 0 2px var(--warn);
}

.selected::after {
  position: absolute;
  inset: 1px;
  border: 2px solid var(--ink);
  content: '';
  pointer-events: none;
}

@media (max-width: 900px) {
  .text {
    hyphens: auto;
  }

  .text.label {
    overflow-wrap: anywhere;
  }
}

@media print {
  /* Printers leave grounds out: chosen must stay readable as ink on paper. */
  .chosen .body {
    background: none;
    box-shadow: inset 0 0 0 2px #000;
    color: #000;
  }
}

td:focus-visible {
  z-index: 2;
  outline-offset: 0;
}
</style>
