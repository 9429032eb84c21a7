<script setup lang="ts">
import type { Device } from '@/api/client'
import TypedNumber from './TypedNumber.vue'
import TypedText from './TypedText.vue'

/** The other addresses that a part on a bus can be brought to, and how. */
type Mode = Device['functions'][number]['modes'][number]
type Strap = NonNullable<Mode['straps']>[number]
const props = defineProps<{ mode: Mode }>()
const emit = defineEmits<{ set: [next: Partial<Mode>] }>()

function set(at: number, next: Partial<Strap> | null) {
  const straps = props.mode.straps ?? []
  emit('set', {
    straps: next
      ? straps.map((s, i) => (i === at ? { ...s, ...next } : s))
      : straps.filter((_, i) => i !== at),
  })
}
function add() {
  const free = (props.mode.address ?? 8) + 1 + (props.mode.straps ?? []).length
  emit('set', {
    straps: [
      ...(props.mode.straps ?? []),
      { address: Math.min(free, 119), how: 'close the solder jumper' },
    ],
  })
}
</script>

<template>
  <div v-for="(s, i) in mode.straps ?? []" :key="i" class="strap" :data-strap="i">
    <TypedNumber
      label="Alternative address"
      field="strap-address"
      hex
      :value="s.address"
      @change="$event !== null && set(i, { address: $event })"
    />
    <TypedText
      label="Set by"
      field="strap-how"
      :value="s.how"
      @change="$event && set(i, { how: $event })"
    />
    <v-btn
      size="small"
      variant="text"
      :aria-label="`Remove address 0x${s.address.toString(16).toUpperCase()}`"
      @click="set(i, null)"
      >−</v-btn
    >
  </div>
  <v-btn size="small" variant="text" data-do="add-strap" @click="add">Add address</v-btn>
</template>

<style scoped>
.strap {
  display: grid;
  grid-template-columns: 120px 1fr auto;
  gap: 6px 12px;
  align-items: end;
}
</style>
