<script setup lang="ts">
import { computed, ref } from 'vue'
import type { FacePad } from '@/api/client'

/** The wire is on another pad than the plan says: which one. */
const props = defineProps<{ pads: FacePad[]; planned: string[] }>()
const emit = defineEmits<{ used: [pad: string] }>()
const open = ref(false)
const items = computed(() =>
  props.pads
    .filter((p) => !props.planned.includes(p.id))
    .map((p) => ({
      value: p.id,
      title: p.plug
        ? `${p.label} (${p.plug})`
        : p.side === 'bottom'
          ? `${p.label}, bottom side`
          : p.label,
    })),
)
function use(pad: string | null) {
  if (!pad) return
  open.value = false
  emit('used', pad)
}
</script>

<template>
  <v-btn
    v-if="!open"
    variant="text"
    size="small"
    class="open"
    data-do="other-pad"
    @click="open = true"
    >Used another pad</v-btn
  >
  <v-autocomplete
    v-else
    class="pads"
    density="compact"
    hide-details
    autofocus
    auto-select-first
    :items="items"
    label="Pad used"
    no-data-text="No matching pad."
    @update:model-value="use"
    @keydown.esc="open = false"
  />
</template>

<style scoped>
.open {
  margin-left: -10px;
}

.pads {
  max-width: 280px;
  margin-top: 6px;
}
</style>
