<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import type { PlaceDrillSheet } from '@/api/client'

/** Links by hand on ports: a bare grid, and afterwards beside each link what the exact plan does with it, and why. */
const props = defineProps<{ sheet: PlaceDrillSheet; ended: boolean; busy: boolean }>()
const emit = defineEmits<{ put: [link: string, port: string]; done: [] }>()

// The last column is "no port".
const columns = computed(() => [...props.sheet.ports.map((p) => p.id), ''])
const row = ref(0)
const column = ref(0)
const grid = useTemplateRef<HTMLElement>('grid')
const open = computed(() => props.sheet.links.filter((l) => l.isAsked && l.port == null).length)
const verdicts = computed(() => new Map(props.sheet.verdicts.map((v) => [v.link, v])))
const tells = {
  best: 'as good as the best plan',
  dearer: 'works, but worse than the best plan',
  fails: 'does not work',
}

const textOf = (link: PlaceDrillSheet['links'][number], column: string) =>
  link.port !== column ? '' : link.isAsked ? 'chosen' : 'fixed'

function put(link: string, port: string) {
  if (!props.ended && !props.busy) emit('put', link, port)
}
function done() {
  if (!props.ended && !props.busy) emit('done')
}
async function walk(event: KeyboardEvent) {
  const by = {
    ArrowUp: [-1, 0],
    ArrowDown: [1, 0],
    ArrowLeft: [0, -1],
    ArrowRight: [0, 1],
  }[event.key]
  if (!by) return
  event.preventDefault()
  const clamp = (n: number, most: number) => Math.min(most, Math.max(0, n))
  row.value = clamp(row.value + (by[0] ?? 0), props.sheet.links.length - 1)
  column.value = clamp(column.value + (by[1] ?? 0), columns.value.length - 1)
  await nextTick()
  grid.value?.querySelector<HTMLElement>('td button[tabindex="0"]')?.focus()
}
defineExpose({
  done,
  leave: () => {
    const link = props.sheet.links[row.value]
    if (link?.isAsked) put(link.id, '')
  },
})
</script>

<template>
  <section class="place" aria-label="Port assignment">
    <p class="board">
      <b>{{ sheet.board }}</b>, {{ sheet.controller }}-class.
      <span v-if="!ended" role="status">{{
        open > 0 ? `${open} to assign.` : 'All assigned.'
      }}</span>
      <span v-else role="status">{{ sheet.words }}</span>
    </p>
    <div ref="grid" class="scroll">
      <table>
        <thead>
          <tr>
            <th scope="col" class="first">Link</th>
            <th v-for="p in sheet.ports" :key="p.id" scope="col">
              <span class="label">{{ p.id }}</span>
              <span class="small">{{ p.words }}</span>
              <span class="small label">{{ p.pads.slice(0, 4).join(' ') }}</span>
            </th>
            <th scope="col" class="out">no port</th>
          </tr>
        </thead>
        <tbody>
          <template v-for="(l, r) in sheet.links" :key="l.id">
            <tr :class="{ given: !l.isAsked }" :data-link="l.id">
              <th scope="row">
                {{ l.need }}
                <span class="small">{{ l.device }}</span>
                <span class="small">{{ l.modes.slice(0, 2).join('; ') }}</span>
              </th>
              <td v-for="(c, k) in columns" :key="c">
                <button
                  type="button"
                  class="cell"
                  :class="{ there: l.port === c, plan: ended && verdicts.get(l.id)?.plan === c }"
                  :aria-pressed="l.port === c"
                  :aria-label="
                    `${textOf(l, c)} ${l.need} ${c === '' ? 'no port' : `on ${c}`}`.trim()
                  "
                  :data-port="c"
                  :tabindex="r === row && k === column ? 0 : -1"
                  :aria-disabled="!l.isAsked || ended"
                  @click="((row = r), (column = k), l.isAsked && put(l.id, c))"
                  @focus="((row = r), (column = k))"
                  @keydown="walk"
                >
                  {{ textOf(l, c) }}
                </button>
              </td>
            </tr>
            <tr v-if="verdicts.get(l.id)" class="why">
              <td :colspan="columns.length + 1">
                <span :class="['told', verdicts.get(l.id)?.placing]">{{
                  tells[verdicts.get(l.id)?.placing ?? 'fails']
                }}</span>
                {{ verdicts.get(l.id)?.why }}
              </td>
            </tr>
          </template>
        </tbody>
      </table>
    </div>
    <v-btn
      v-if="!ended"
      color="primary"
      variant="flat"
      data-do="done"
      :disabled="busy || open > 0"
      @click="done"
      >Check answer<v-kbd aria-hidden="true">D</v-kbd></v-btn
    >
    <p v-else class="quiet">Outlined: the best plan's port.</p>
  </section>
</template>

<style scoped>
.board {
  margin-bottom: 10px;
}

.scroll {
  margin-bottom: 14px;
  overflow-x: auto;
}

table {
  width: 100%;
  min-width: 720px;
  table-layout: fixed;
  border-collapse: collapse;
}

th {
  padding: 6px 8px;
  border-bottom: 1px solid var(--line);
  font-weight: 600;
  text-align: left;
  vertical-align: bottom;
}
.first {
  width: 230px;
}

tbody th {
  vertical-align: middle;
}

.small {
  display: block;
  color: var(--ink-2);
  font-size: 0.8125rem;
  font-weight: 400;
  line-height: 1.25;
}

td {
  padding: 2px;
  border-bottom: 1px solid var(--line-faint);
}

.cell {
  display: block;
  width: 100%;
  min-width: 52px;
  min-height: 44px;
  border: 1px solid var(--line);
  background: none;
  color: inherit;
  font: inherit;
  font-size: 0.9375rem;
  cursor: pointer;
}

.cell[aria-disabled='true'] {
  border-color: var(--line-faint);
  cursor: default;
}

.cell.there {
  border-color: var(--chosen);
  background: var(--chosen);
  color: var(--on-chosen);
}

.given .cell.there {
  border-color: var(--ink-2);
  background: none;
  color: var(--ink);
}

.cell.plan:not(.there) {
  border: 2px solid var(--chosen);
}

.why td {
  padding: 4px 8px 12px;
}

.told {
  display: inline-block;
  margin-right: 8px;
  padding-left: 8px;
  border-left: 4px solid var(--ink);
  font-weight: 600;
}

.told.dearer {
  border-color: var(--warn);
}

.told.fails {
  border-color: var(--stop);
}
</style>
