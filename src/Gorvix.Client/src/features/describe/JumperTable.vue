<script setup lang="ts">
import { reactive, watch } from 'vue'
import type { Board } from '@/api/client'
import WideTable from '@/ui/WideTable.vue'

/** The jumpers of a board: how each comes from the factory, and where it lies; typed, or picked on the drawing. */
const props = defineProps<{
  board: Board
  /** The jumper whose place is being picked on the drawing. */
  picking: string | null
}>()
const emit = defineEmits<{ change: [edit: (board: Board) => Board]; pick: [id: string | null] }>()
type Jumper = NonNullable<Board['jumpers']>[number]

function set(id: string, next: Partial<Jumper>) {
  emit('change', (b) => ({
    ...b,
    jumpers: (b.jumpers ?? []).map((x) => (x.id === id ? { ...x, ...next } : x)),
  }))
}
/** Where each lies: "bottom 12,8"; empty where nobody knows. */
const places = reactive<Record<string, { text: string; error: string }>>({})
watch(
  () => props.board.jumpers,
  (jumpers) => {
    for (const b of jumpers ?? [])
      places[b.id] = { text: b.place ? `${b.place.side} ${b.place.x},${b.place.y}` : '', error: '' }
  },
  { immediate: true },
)
function lies(id: string) {
  const row = places[id]
  if (!row) return
  const said = /^(top|bottom)\s+(\d+(?:\.\d+)?)\s*,\s*(\d+(?:\.\d+)?)$/i.exec(row.text.trim())
  row.error =
    said || row.text.trim() === '' ? '' : 'Enter side, mm from left, mm from rear: bottom 12,8'
  if (row.error !== '') return
  const side = said?.[1]?.toLowerCase() === 'bottom' ? 'bottom' : 'top'
  set(id, { place: said ? { side, x: Number(said[2]), y: Number(said[3]) } : null })
}
</script>

<template>
  <WideTable class="jumpers">
    <thead>
      <tr>
        <th scope="col">Jumper</th>
        <th scope="col">Default</th>
        <th scope="col">Position, mm</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="b in board.jumpers" :key="b.id" :data-bridge="b.id">
        <th scope="row" class="label">{{ b.id }}</th>
        <td>
          <v-btn-toggle
            mandatory
            :aria-label="`Default of ${b.id}`"
            :model-value="b.default"
            @update:model-value="set(b.id, { default: $event })"
          >
            <v-btn v-for="position in b.positions" :key="position" :value="position" size="small">{{
              position
            }}</v-btn>
          </v-btn-toggle>
        </td>
        <td>
          <div v-if="places[b.id]" class="place">
            <v-text-field
              v-model="places[b.id]!.text"
              :aria-label="`Position of ${b.id}`"
              :data-field="`place-${b.id}`"
              placeholder="bottom 12,8"
              persistent-placeholder
              hide-details="auto"
              :error-messages="places[b.id]!.error"
              @change="lies(b.id)"
            />
            <v-btn
              size="small"
              :variant="picking === b.id ? 'flat' : 'outlined'"
              :color="picking === b.id ? 'primary' : undefined"
              :aria-pressed="picking === b.id"
              :data-do="`pick-${b.id}`"
              @click="emit('pick', picking === b.id ? null : b.id)"
              >Pick on board</v-btn
            >
          </div>
        </td>
      </tr>
    </tbody>
  </WideTable>
</template>

<style scoped>
.jumpers {
  background: none;
}

td,
th {
  height: 52px !important;
}

.place {
  display: flex;
  gap: 8px;
  align-items: center;
  min-width: 250px;
}
</style>
