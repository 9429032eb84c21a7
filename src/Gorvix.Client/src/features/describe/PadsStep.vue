<script setup lang="ts">
import { computed } from 'vue'
import type { Board, PadLook } from '@/api/client'

/** The pads as printed, row by row and socket by socket; what is doubtful is settled here. */
const props = defineProps<{ board: Board; pads: PadLook[]; chosen: string | null }>()
const emit = defineEmits<{ choose: [id: string]; lines: [text: string] }>()

const lookOf = (id: string) => props.pads.find((p) => p.id === id)
const inSocket = computed(
  () => new Set((props.board.plugs ?? []).flatMap((p) => p.pins.map((pin) => pin.pad))),
)
interface Row {
  name: string
  socket: boolean
  /** Pads in order; a null is a cavity that leads nowhere. */
  cells: (PadLook | null)[]
}
const rows = computed<Row[]>(() => {
  const found: Row[] = []
  for (const pad of props.board.pads) {
    const look = lookOf(pad.id)
    if (!look || inSocket.value.has(pad.id)) continue
    const name = `${pad.side}${pad.group ? `, ${pad.group}` : ''}`
    const last = found.find((r) => r.name === name)
    if (last) last.cells.push(look)
    else found.push({ name, socket: false, cells: [look] })
  }
  for (const plug of props.board.plugs ?? []) {
    found.push({
      name: `${plug.label} (${plug.family})`,
      socket: true,
      cells: plug.pins.map((pin) => (pin.pad ? (lookOf(pin.pad) ?? null) : null)),
    })
  }
  return found
})
const doubts = computed(() => props.pads.filter((p) => p.doubt))

// The id is quoted: it may be anything.
function settle(pad: PadLook, ways: string) {
  emit('lines', `ways ${JSON.stringify(pad.id)}: ${ways}`)
}
</script>

<template>
  <div v-for="row in rows" :key="row.name" class="row" :data-row="row.name">
    <h3>{{ row.socket ? `Socket ${row.name}` : row.name }}</h3>
    <ol>
      <li v-for="(pad, i) in row.cells" :key="pad?.id ?? `none-${i}`">
        <button
          v-if="pad"
          type="button"
          :class="{ chosen: pad.id === chosen, doubt: pad.doubt }"
          :data-chip="pad.id"
          :aria-pressed="pad.id === chosen"
          @click="emit('choose', pad.id)"
        >
          <span class="label">{{ pad.label }}{{ pad.doubt ? ' ?' : '' }}</span>
          <span class="reads">{{ pad.reads }}</span>
        </button>
        <span v-else class="none">empty</span>
      </li>
    </ol>
  </div>
  <div v-if="doubts.length > 0" class="doubts" data-testid="doubts">
    <h3>
      {{ doubts.length === 1 ? '1 uncertain label' : `${doubts.length} uncertain labels` }}: measure
      before use, or set from the manual
    </h3>
    <ul>
      <li v-for="pad in doubts" :key="pad.id" :data-doubt="pad.id">
        <span class="why"
          ><span class="label">{{ pad.label }}</span
          >: {{ pad.doubt }}</span
        >
        <v-select
          v-if="pad.offers.length > 3"
          class="which"
          :aria-label="`Function of ${pad.label}`"
          placeholder="choose…"
          :items="pad.offers"
          item-title="words"
          item-value="ways"
          :model-value="null"
          @update:model-value="$event && settle(pad, $event)"
        />
        <template v-else>
          <v-btn
            v-for="offer in pad.offers"
            :key="offer.ways"
            size="small"
            @click="settle(pad, offer.ways)"
            >Set to {{ offer.words }}</v-btn
          >
        </template>
        <v-btn size="small" variant="text" @click="emit('choose', pad.id)">Edit pad</v-btn>
      </li>
    </ul>
  </div>
</template>

<style scoped>
h3 {
  margin-top: 10px;
  color: var(--ink-2);
  font-size: 0.9375rem;
}

ol {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 0;
  padding: 0;
  list-style: none;
}

button,
.none {
  display: block;
  min-height: 44px;
  padding: 3px 9px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.none {
  border-style: dotted;
  color: var(--ink-2);
  cursor: default;
}

button:hover {
  border-color: var(--ink);
}

button.chosen {
  border-color: var(--chosen);
  box-shadow: inset 0 0 0 1px var(--chosen);
}

button.doubt {
  border-style: dashed;
  border-color: var(--warn);
}

button .label {
  display: block;
  font-weight: 600;
}

.reads {
  color: var(--ink-2);
  font-size: 0.875rem;
}

.doubts {
  margin-top: 12px;
  padding: 4px 12px 10px;
  border-left: 3px solid var(--warn);
}

.doubts li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  min-height: 44px;
}

.why {
  flex: 1 1 260px;
  font-size: 0.9375rem;
}

.which {
  flex: 0 1 260px;
}

.why .label {
  font-weight: 600;
}
</style>
