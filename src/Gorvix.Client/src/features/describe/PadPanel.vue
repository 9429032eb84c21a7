<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Board, BoardAnswer, PadLook } from '@/api/client'
import PadPath from './PadPath.vue'
import LineField from '@/ui/LineField.vue'
import TypedNumber from './TypedNumber.vue'
import TypedText from './TypedText.vue'

/** One pad: what is printed, where it lies, how far its label is trusted, and its ways into the board. */
const props = defineProps<{
  board: Board
  look: PadLook
  add: (lines: string) => Promise<BoardAnswer | null>
}>()
const emit = defineEmits<{ change: [edit: (board: Board) => Board]; close: [] }>()
type Pad = Board['pads'][number]

const pad = computed(() => props.board.pads.find((p) => p.id === props.look.id))
const ways = ref('')
const wrong = ref('')
watch(
  () => [props.look.id, props.look.ways],
  () => ((ways.value = props.look.ways), (wrong.value = '')),
  { immediate: true },
)
const meanings = [
  { value: 'sure', title: 'certain' },
  { value: 'uncertain', title: 'measure before use' },
  { value: 'notConnected', title: 'not connected' },
]
const sides = [
  { value: 'top', title: 'top' },
  { value: 'bottom', title: 'bottom' },
]

function set(next: Partial<Pad>) {
  const id = props.look.id
  emit('change', (b) => ({ ...b, pads: b.pads.map((p) => (p.id === id ? { ...p, ...next } : p)) }))
}
async function say() {
  if (ways.value.trim() === props.look.ways) return
  if (ways.value.trim() === '') {
    set({ paths: [], meaning: 'uncertain' })
    return
  }
  const answer = await props.add(`ways ${JSON.stringify(props.look.id)}: ${ways.value}`)
  wrong.value = answer?.problems[0]?.sentence ?? ''
}
function remove() {
  const id = props.look.id
  emit('change', (b) => ({ ...b, pads: b.pads.filter((p) => p.id !== id) }))
  emit('close')
}
</script>

<template>
  <section v-if="pad" class="panel" data-testid="pad-panel" :aria-label="`Pad ${pad.label}`">
    <div class="head">
      <h2>
        Pad <span class="label">{{ pad.label }}</span>
      </h2>
      <v-btn size="small" variant="text" @click="emit('close')">Close</v-btn>
    </div>
    <div v-if="look.strand.length > 0" class="ways">
      <PadPath
        v-for="(stations, i) in look.strand"
        :key="i"
        :label="pad.label"
        :stations="stations"
      />
    </div>
    <p v-else class="quiet">Not connected to a UART or rail yet.</p>
    <p v-if="look.doubt" class="doubt">Measure before use: {{ look.doubt }}.</p>
    <LineField v-slot="{ id }" label="Paths (separate with |)">
      <v-text-field
        :id="id"
        v-model="ways"
        class="label"
        data-field="ways"
        placeholder="inverter > U3.RX"
        persistent-placeholder
        spellcheck="false"
        :error-messages="wrong"
        @change="say"
      />
    </LineField>
    <div class="fields two">
      <TypedText label="Label" field="label" :value="pad.label" @change="set({ label: $event })" />
      <LineField v-slot="{ id }" label="Certainty">
        <v-select
          :id="id"
          data-field="meaning"
          :items="meanings"
          :model-value="pad.meaning ?? 'sure'"
          @update:model-value="set({ meaning: $event })"
        />
      </LineField>
    </div>
    <div class="fields three">
      <TypedNumber
        label="From left, mm"
        field="x"
        :value="pad.x"
        @change="set({ x: $event ?? 0 })"
      />
      <TypedNumber
        label="From rear, mm"
        field="y"
        :value="pad.y"
        @change="set({ y: $event ?? 0 })"
      />
      <LineField v-slot="{ id }" label="Side">
        <v-select
          :id="id"
          data-field="side"
          :items="sides"
          :model-value="pad.side"
          @update:model-value="set({ side: $event })"
        />
      </LineField>
    </div>
    <v-btn size="small" variant="text" data-do="remove-pad" @click="remove">Remove pad</v-btn>
  </section>
</template>

<style scoped>
.panel {
  padding: 8px 12px 12px;
  border: 1px solid var(--chosen);
  background: var(--sheet);
}

.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
}

h2 {
  font-size: 1.125rem;
  font-weight: 650;
}

.ways {
  overflow-x: auto;
}

.doubt {
  color: var(--warn);
  font-size: 0.9375rem;
}
</style>
