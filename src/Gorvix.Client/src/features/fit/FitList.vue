<script setup lang="ts">
import { computed } from 'vue'
import type { FitCell, FitSheet } from '@/api/client'

/** The grid where it has no room: each link with its place, and for the link in sight every port that it could use. */
const props = defineProps<{ sheet: FitSheet; link: string; port: string }>()
const emit = defineEmits<{ select: [link: string, port: string] }>()

const names = computed(() => new Map(props.sheet.ports.map((p) => [p.id, p.name])))
const nameOf = (port: string) => names.value.get(port) ?? port
const chosen = (cells: FitCell[]) => cells.find((c) => c.state === 'chosen')
const open = (cells: FitCell[]) => cells.filter((c) => c.state !== 'blocked')
// A port of another kind is no answer; one with a rule behind it is.
const against = (cells: FitCell[]) => cells.filter((c) => c.state === 'blocked' && !c.quiet)

function toggle(link: FitSheet['links'][number]) {
  emit('select', link.id, chosen(link.cells)?.port ?? open(link.cells)[0]?.port ?? props.port)
}
</script>

<template>
  <ul class="links">
    <li v-for="l in sheet.links" :key="l.id" :class="{ lit: l.id === link }">
      <button
        type="button"
        class="row"
        :aria-expanded="l.id === link"
        :data-link="l.id"
        @click="toggle(l)"
      >
        <span class="what">
          <b>{{ l.need }}</b>
          <span class="quiet">{{ l.device }} · {{ l.priority }}</span>
        </span>
        <span v-if="chosen(l.cells)" class="place">
          <b>{{ nameOf(chosen(l.cells)!.port) }}</b>
          <span class="label">{{ chosen(l.cells)!.text }}</span>
        </span>
        <span v-else class="place none">{{ l.lack ?? 'no port' }}</span>
      </button>
      <div v-if="l.id === link" class="ports" role="group" :aria-label="`Ports for ${l.need}`">
        <button
          v-for="c in open(l.cells)"
          :key="c.port"
          type="button"
          class="port"
          :class="[c.state, { seen: c.port === port }]"
          :aria-pressed="c.port === port"
          :data-cell="`${l.id} ${c.port}`"
          @click="$emit('select', l.id, c.port)"
        >
          <b>{{ c.state === 'chosen' ? '■' : '□' }} {{ nameOf(c.port) }}</b>
          <span>{{ c.text }}{{ c.mark ? ` · ${c.mark}` : '' }}</span>
        </button>
        <button
          v-for="c in against(l.cells)"
          :key="c.port"
          type="button"
          class="port blocked"
          :class="{ seen: c.port === port }"
          :aria-pressed="c.port === port"
          :data-cell="`${l.id} ${c.port}`"
          @click="$emit('select', l.id, c.port)"
        >
          <b>╱ {{ nameOf(c.port) }}</b>
          <span class="label">{{ c.code }}{{ c.mark ? ` · ${c.mark}` : '' }}</span>
        </button>
      </div>
    </li>
  </ul>
</template>

<style scoped>
.links {
  border: 1px solid var(--line);
  background: var(--sheet);
}

li + li {
  border-top: 1px solid var(--line-faint);
}

.row,
.port {
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}

.row {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
  width: 100%;
  min-height: 52px;
  padding: 6px 12px;
  text-align: left;
}

.what,
.place {
  display: flex;
  flex-direction: column;
  min-width: 0;
  line-height: 1.25;
  overflow-wrap: anywhere;
}

.what .quiet {
  font-size: 0.875rem;
}

.place {
  align-items: flex-end;
  flex: none;
  max-width: 46%;
  text-align: right;
}

.place .label {
  font-size: 0.8125rem;
}

.none {
  color: var(--stop);
}

.lit .row b {
  color: var(--chosen);
}

.ports {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
  gap: 6px;
  padding: 2px 12px 12px;
}

.port {
  display: flex;
  flex-direction: column;
  min-height: 48px;
  padding: 4px 8px;
  border: 1px solid var(--line);
  font-size: 0.9375rem;
  line-height: 1.25;
  text-align: left;
}

.port.chosen {
  border-color: var(--chosen);
  background: var(--chosen);
  color: var(--on-chosen);
}

.port.blocked {
  background: var(--ground);
  color: var(--ink-2);
}

.port.seen {
  box-shadow: inset 0 0 0 2px var(--ink);
}

.port.chosen.seen {
  box-shadow:
    inset 0 0 0 2px var(--ink),
    inset 0 0 0 3px var(--on-chosen);
}
</style>
