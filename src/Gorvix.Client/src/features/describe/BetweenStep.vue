<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Board, BoardAnswer, PadLook, PathPattern } from '@/api/client'
import { limits } from '@/api/limits'
import LineField from '@/ui/LineField.vue'
import PadPath from './PadPath.vue'
import JumperTable from './JumperTable.vue'

/** What lies between a pad and its port: from the usual patterns, each told by what is seen on the leaflet. */
const props = defineProps<{
  board: Board
  pads: PadLook[]
  patterns: PathPattern[]
  add: (lines: string) => Promise<BoardAnswer | null>
  /** The jumper whose place is being picked on the drawing. */
  picking: string | null
}>()
const emit = defineEmits<{
  choose: [id: string]
  change: [edit: (board: Board) => Board]
  pick: [jumper: string | null]
}>()

// Open where nothing lies between yet, and once the builder has begun to add.
const isAdding = ref<boolean | null>(null)
function toggled(event: Event) {
  const { open } = event.target as HTMLDetailsElement
  if (open !== (told.value.length === 0)) isAdding.value = open
}
const pattern = ref<string | null>(null)
const pad = ref<string | null>(null)
const port = ref<string | null>(null)
const bridge = ref('J1')
const first = ref<string | null>(null)
const second = ref<string | null>(null)
const wrong = ref('')

const chosen = computed(() => props.patterns.find((p) => p.id === pattern.value))
const asks = (what: PathPattern['asks'][number]) => chosen.value?.asks.includes(what) ?? false
const padChoices = computed(() =>
  props.pads.map((p) => ({ value: p.id, title: `${p.label}: ${p.reads}` })),
)
const serial = computed(() => {
  const known = props.board.ports.filter((p) => (p.kind ?? 'uart') === 'uart').map((p) => p.id)
  return [...new Set([...known, ...limits.ports])]
})
const levels = computed(() =>
  props.board.ports.filter((p) => p.kind === 'analogue' && p.rx).map((p) => p.id),
)
const rails = computed(() =>
  (props.board.rails ?? []).filter((r) => r.feed !== 'ground').map((r) => r.label),
)
watch(
  rails,
  (now) => {
    first.value ??= now.find((r) => r !== 'BAT') ?? null
    second.value ??= now.includes('BAT') ? 'BAT' : null
  },
  { immediate: true },
)

const quoted = (text: string | null) => JSON.stringify(text ?? '')
const lines = computed(() => {
  if (!chosen.value || !pad.value) return null
  if ((asks('port') || asks('level')) && !port.value) return null
  if (asks('rails') && (!first.value || !second.value)) return null
  if (asks('bridge') && bridge.value.trim() === '') return null
  return chosen.value.lines
    .replaceAll('{pad}', quoted(pad.value))
    .replaceAll('{port}', port.value ?? '')
    .replaceAll('{bridge}', quoted(bridge.value.trim()))
    .replaceAll('{first}', quoted(first.value))
    .replaceAll('{second}', quoted(second.value))
})
async function take() {
  if (!lines.value) return
  isAdding.value = true
  const answer = await props.add(lines.value)
  wrong.value = answer?.problems[0]?.sentence ?? ''
  if (answer && answer.problems.length === 0) pad.value = null
}
/** Pads with something between. */
const told = computed(() =>
  props.pads.filter((p) => p.strand.length > 1 || p.strand.some((s) => s.length > 1)),
)
</script>

<template>
  <ul v-if="told.length > 0" class="told">
    <li v-for="p in told" :key="p.id" :data-between="p.id">
      <button type="button" @click="emit('choose', p.id)">
        <PadPath v-for="(way, i) in p.strand" :key="i" :label="p.label" :stations="way" />
      </button>
    </li>
  </ul>
  <JumperTable
    v-if="(board.jumpers ?? []).length > 0"
    :board="board"
    :picking="picking"
    @change="emit('change', $event)"
    @pick="emit('pick', $event)"
  />
  <details class="circuit" :open="isAdding ?? told.length === 0" @toggle="toggled">
    <summary data-do="circuit">Add a circuit from the manual</summary>
    <v-radio-group
      v-model="pattern"
      class="patterns"
      label="Circuit in the manual"
      data-field="pattern"
    >
      <v-radio v-for="p in patterns" :key="p.id" :value="p.id">
        <template #label
          ><span
            ><strong>{{ p.name }}</strong> <span class="quiet">{{ p.tells }}</span></span
          ></template
        >
      </v-radio>
    </v-radio-group>
    <div v-if="chosen" class="fields four">
      <LineField v-slot="{ id }" label="Pad">
        <v-autocomplete
          :id="id"
          v-model="pad"
          data-field="pattern-pad"
          :items="padChoices"
          auto-select-first
        />
      </LineField>
      <LineField v-if="asks('port')" v-slot="{ id }" label="Port">
        <v-select :id="id" v-model="port" data-field="pattern-port" :items="serial" />
      </LineField>
      <LineField v-if="asks('level')" v-slot="{ id }" label="Sense input">
        <v-select
          :id="id"
          v-model="port"
          data-field="pattern-port"
          :items="levels"
          no-data-text="None yet. Add one at step 6: port VBAT analogue: RX"
        />
      </LineField>
      <template v-if="asks('rails')">
        <LineField v-slot="{ id }" label="Position 1 rail">
          <v-combobox :id="id" v-model="first" data-field="pattern-first" :items="rails" />
        </LineField>
        <LineField v-slot="{ id }" label="Position 2 rail">
          <v-combobox :id="id" v-model="second" data-field="pattern-second" :items="rails" />
        </LineField>
      </template>
      <LineField v-if="asks('bridge')" v-slot="{ id }" label="Jumper label">
        <v-text-field
          :id="id"
          v-model="bridge"
          data-field="pattern-bridge"
          :maxlength="limits.name"
        />
      </LineField>
    </div>
    <p v-if="wrong" class="wrong" role="status">{{ wrong }}</p>
    <v-btn v-if="chosen" :disabled="!lines" data-do="take-pattern" @click="take">Add circuit</v-btn>
  </details>
</template>

<style scoped>
.told button {
  display: block;
  width: 100%;
  overflow-x: auto;
  padding: 2px 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.told button:hover {
  background: var(--ground);
}

.patterns {
  margin-top: 8px;
}

.wrong {
  color: var(--stop);
}
</style>
