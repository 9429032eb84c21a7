<script setup lang="ts">
import type { Board } from '@/api/client'
import LineField from '@/ui/LineField.vue'
import TypedNumber from './TypedNumber.vue'
import TypedText from './TypedText.vue'

/** What the board is, which revision, how large. */
const props = defineProps<{ board: Board; edges: { value: string | null; title: string }[] }>()
const emit = defineEmits<{ change: [edit: (board: Board) => Board] }>()

function text(member: 'maker' | 'name' | 'revision', value: string) {
  emit('change', (b) => ({ ...b, [member]: value }))
}
function maybe(member: 'recognise' | 'target', value: string) {
  emit('change', (b) => ({ ...b, [member]: value || null }))
}
/** Width and depth are known together; one alone waits for the other. */
function size(of: 'outline' | 'mounting', member: 'width' | 'depth', value: number | null) {
  emit('change', (b) => {
    const now = b[of]
    const other = member === 'width' ? now?.depth : now?.width
    const next = { ...now, width: other ?? value ?? 0, depth: other ?? value ?? 0, [member]: value }
    return { ...b, [of]: value === null ? null : next }
  })
}
function bolt(value: number | null) {
  emit('change', (b) => ({ ...b, mounting: b.mounting ? { ...b.mounting, bolt: value } : null }))
}
function edge(of: 'usbSide' | 'arrow', value: string | null) {
  emit('change', (b) => ({ ...b, [of]: value }) as Board)
}
void props
</script>

<template>
  <div class="fields three">
    <TypedText label="Maker" field="maker" :value="board.maker" @change="text('maker', $event)" />
    <TypedText label="Name" field="name" :value="board.name" @change="text('name', $event)" />
    <TypedText
      label="Revision"
      field="revision"
      :value="board.revision"
      placeholder="as printed"
      @change="text('revision', $event)"
    />
  </div>
  <div class="fields two">
    <TypedText
      label="How to identify"
      field="recognise"
      :value="board.recognise"
      placeholder="what other revisions lack"
      @change="maybe('recognise', $event)"
    />
    <TypedText
      label="Firmware target"
      field="target"
      :value="board.target"
      placeholder="unknown"
      @change="maybe('target', $event)"
    />
  </div>
  <div class="fields five">
    <TypedNumber
      label="Width, mm"
      field="width"
      :value="board.outline?.width"
      @change="size('outline', 'width', $event)"
    />
    <TypedNumber
      label="Depth, mm"
      field="depth"
      :value="board.outline?.depth"
      @change="size('outline', 'depth', $event)"
    />
    <TypedNumber
      label="Hole spacing W, mm"
      field="holes-width"
      :value="board.mounting?.width"
      @change="size('mounting', 'width', $event)"
    />
    <TypedNumber
      label="Hole spacing D, mm"
      field="holes-depth"
      :value="board.mounting?.depth"
      @change="size('mounting', 'depth', $event)"
    />
    <TypedNumber label="Screw size, M" field="bolt" :value="board.mounting?.bolt" @change="bolt" />
  </div>
  <div class="fields two">
    <LineField v-slot="{ id }" label="USB socket">
      <v-select
        :id="id"
        data-field="usb"
        :items="edges"
        :model-value="board.usbSide ?? null"
        @update:model-value="edge('usbSide', $event)"
      />
    </LineField>
    <LineField v-slot="{ id }" label="Arrow points to">
      <v-select
        :id="id"
        data-field="arrow"
        :items="edges"
        :model-value="board.arrow ?? null"
        @update:model-value="edge('arrow', $event)"
      />
    </LineField>
  </div>
</template>
