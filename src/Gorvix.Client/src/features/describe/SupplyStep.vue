<script setup lang="ts">
import type { Board } from '@/api/client'
import LineField from '@/ui/LineField.vue'
import { part, percent } from './percent'
import TypedNumber from './TypedNumber.vue'
import TypedText from './TypedText.vue'

/** What burns: what the supply input stands, and each rail with what feeds it and how much it gives. */
const props = defineProps<{ board: Board }>()
const emit = defineEmits<{ change: [edit: (board: Board) => Board] }>()
type Rail = NonNullable<Board['rails']>[number]

const feeds = [
  { value: 'ground', title: 'common ground' },
  { value: 'battery', title: 'battery' },
  { value: 'regulator', title: 'regulator, off on USB' },
  { value: 'regulatorOrUsb', title: 'regulator or USB' },
  { value: 'regulatorUsbUnknown', title: 'regulator, USB unknown' },
  { value: 'booster', title: 'boost converter, off on USB' },
]
const kinds = [
  { value: null, title: 'unknown' },
  { value: 'linear', title: 'linear' },
  { value: 'switching', title: 'switching' },
]
const filters = [
  { value: null, title: 'unknown' },
  { value: 'filtered', title: 'filtered' },
  { value: 'unfiltered', title: 'unfiltered' },
]

function input(member: 'min' | 'max', value: number | null) {
  emit('change', (b) => {
    if (value === null) return { ...b, input: null }
    // One end alone is no window: both are the same then, and the board says so until the other one is written.
    const now = b.input ?? { min: value, max: value }
    return { ...b, input: { ...now, [member]: value } }
  })
}
function rail(index: number, next: Partial<Rail>) {
  emit('change', (b) => ({
    ...b,
    rails: (b.rails ?? []).map((r, i) => (i === index ? { ...r, ...next } : r)),
  }))
}
function add() {
  const taken = (props.board.rails ?? []).map((r) => r.id)
  let n = taken.length + 1
  while (taken.includes(`rail-${n}`)) n++
  emit('change', (b) => ({
    ...b,
    rails: [
      ...(b.rails ?? []),
      { id: `rail-${n}`, label: '5V', volts: 5, feed: 'regulatorUsbUnknown' },
    ],
  }))
}
/** What pointed at it is put in order by the server. */
function remove(index: number) {
  emit('change', (b) => ({ ...b, rails: (b.rails ?? []).filter((_, i) => i !== index) }))
}
const regulated = (r: Rail) => r.feed !== 'ground' && r.feed !== 'battery'
const others = (r: Rail) => [
  { value: null, title: 'battery' },
  ...(props.board.rails ?? [])
    .filter((o) => o.id !== r.id && o.feed !== 'ground')
    .map((o) => ({ value: o.id, title: o.label })),
]

/** What is known of a regulator, in a line: the rest is seldom in a manual and folded away. */
function regulator(r: Rail) {
  const said = [
    r.from ? `from ${r.from}` : null,
    r.kind,
    r.filtering,
    r.dropout != null ? `dropout ${r.dropout} V` : null,
    r.efficiency != null ? `${percent(r.efficiency)} %` : null,
    r.quiescent != null ? `quiescent ${r.quiescent} A` : null,
    r.own != null ? `board ${r.own} A` : null,
  ].filter(Boolean)
  return said.length > 0 ? said.join(', ') : 'details unknown'
}
</script>

<template>
  <div class="fields four">
    <TypedNumber
      label="Input min, V"
      field="input-min"
      :value="board.input?.min"
      @change="input('min', $event)"
    />
    <TypedNumber
      label="Input max, V"
      field="input-max"
      :value="board.input?.max"
      @change="input('max', $event)"
    />
  </div>
  <div v-for="(r, i) in board.rails ?? []" :key="r.id" class="rail" :data-rail="r.label">
    <div class="fields five">
      <TypedText label="Rail" field="rail" :value="r.label" @change="rail(i, { label: $event })" />
      <LineField v-slot="{ id }" class="wide" label="Rail type">
        <v-select
          :id="id"
          data-field="feed"
          :items="feeds"
          :model-value="r.feed"
          @update:model-value="rail(i, { feed: $event })"
        />
      </LineField>
      <TypedNumber
        v-if="regulated(r)"
        label="Output, V"
        field="volts"
        :value="r.volts"
        @change="rail(i, { volts: $event })"
      />
      <TypedNumber
        v-if="r.feed !== 'ground'"
        label="Limit, A"
        field="limit"
        :value="r.limit"
        @change="rail(i, { limit: $event })"
      />
    </div>
    <details v-if="regulated(r)" class="more">
      <summary>Regulator: {{ regulator(r) }}</summary>
      <div class="fields four">
        <TypedNumber
          label="Dropout, V"
          field="dropout"
          :value="r.dropout"
          @change="rail(i, { dropout: $event })"
        />
        <LineField v-slot="{ id }" label="Powered from">
          <v-select
            :id="id"
            data-field="from"
            :items="others(r)"
            :model-value="r.from ?? null"
            @update:model-value="rail(i, { from: $event })"
          />
        </LineField>
        <LineField v-slot="{ id }" label="Regulator type">
          <v-select
            :id="id"
            data-field="kind"
            :items="kinds"
            :model-value="r.kind ?? null"
            @update:model-value="rail(i, { kind: $event })"
          />
        </LineField>
        <LineField v-slot="{ id }" label="Filtering">
          <v-select
            :id="id"
            data-field="filtering"
            :items="filters"
            :model-value="r.filtering ?? null"
            @update:model-value="rail(i, { filtering: $event })"
          />
        </LineField>
      </div>
      <div class="fields four">
        <TypedNumber
          label="Efficiency, %"
          field="efficiency"
          :value="percent(r.efficiency)"
          @change="rail(i, { efficiency: part($event) })"
        />
        <TypedNumber
          label="Quiescent current, A"
          field="quiescent"
          :value="r.quiescent"
          @change="rail(i, { quiescent: $event })"
        />
        <TypedNumber
          label="Board itself, A"
          field="own"
          :value="r.own"
          @change="rail(i, { own: $event })"
        />
      </div>
    </details>
    <v-btn size="small" variant="text" @click="remove(i)">Remove {{ r.label }}</v-btn>
  </div>
  <v-btn size="small" data-do="add-rail" @click="add">Add rail</v-btn>
</template>
