<script setup lang="ts">
import type { Board } from '@/api/client'
import LineField from '@/ui/LineField.vue'
import { readings } from './readings'
import TypedText from './TypedText.vue'

/** What each port is, and what holds it: taken inside, shared with USB, on a bus, a second job of a pin. */
defineProps<{ board: Board }>()
const emit = defineEmits<{ change: [edit: (board: Board) => Board] }>()
type Port = Board['ports'][number]

function set(id: string, next: Partial<Port>) {
  emit('change', (b) => ({
    ...b,
    ports: b.ports.map((p) => (p.id === id ? { ...p, ...next } : p)),
  }))
}
function remove(id: string) {
  emit('change', (b) => ({ ...b, ports: b.ports.filter((p) => p.id !== id) }))
}
function halves(port: Port) {
  const all: [string, string | null | undefined][] = [
    ['RX', port.rx],
    ['TX', port.tx],
    ['SDA', port.data],
    ['SCL', port.clock],
  ]
  const own = all.filter(([, net]) => net).map(([name]) => name)
  return own.length === 0 ? 'no pins' : own.join(' ')
}
</script>

<template>
  <ul v-if="board.ports.length > 0" class="ports">
    <li v-for="port in board.ports" :key="port.id" :data-port="port.id">
      <span class="id label">{{ port.id }}</span>
      <span class="what"
        >{{ (port.kind ?? 'uart') === 'uart' ? 'UART' : port.kind }}
        <span class="label">{{ halves(port) }}</span></span
      >
      <TypedText
        v-if="port.kind !== 'usb'"
        class="held"
        label="Used internally by"
        field="held"
        :value="port.heldBy"
        placeholder="free"
        @change="set(port.id, { heldBy: $event || null })"
      />
      <LineField
        v-if="port.kind === 'analogue' && port.rx"
        v-slot="{ id }"
        class="reads"
        label="Reads"
      >
        <v-select
          :id="id"
          data-field="reads"
          :items="readings"
          :model-value="port.reads ?? null"
          @update:model-value="set(port.id, { reads: $event })"
        />
      </LineField>
      <v-checkbox
        v-if="(port.kind ?? 'uart') === 'uart'"
        label="shared with USB"
        density="compact"
        :model-value="port.usb === 'shared'"
        @update:model-value="set(port.id, { usb: $event ? 'shared' : 'apart' })"
      />
      <v-btn
        size="small"
        variant="text"
        :aria-label="`Remove port ${port.id}`"
        @click="remove(port.id)"
        >Remove port</v-btn
      >
    </li>
  </ul>
  <p v-else class="quiet">Ports are created from pad labels.</p>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  min-height: 52px;
  border-top: 1px solid var(--line-faint);
}

.id {
  min-width: 52px;
  font-weight: 600;
}

.what {
  min-width: 110px;
  color: var(--ink-2);
}

.reads {
  flex: 0 0 190px;
}

.held {
  flex: 1 1 180px;
}
</style>
