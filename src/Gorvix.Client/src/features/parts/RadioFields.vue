<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Setup } from '@/api/client'
import NumberField from '@/ui/NumberField.vue'

type Radio = NonNullable<Setup['radio']>

/** What the module bay keeps and how often it sends; both or neither, as half of it says nothing. */
const props = defineProps<{ radio: Radio | null }>()
const emit = defineEmits<{ change: [radio: Radio | null] }>()

const bay = ref('')
const packets = ref('')
watch(
  () => props.radio,
  (now) => {
    bay.value = now ? String(now.bayBaud) : ''
    packets.value = now ? String(now.packetHertz) : ''
  },
  { immediate: true },
)

const half = computed(() => (bay.value.trim() === '') !== (packets.value.trim() === ''))
function errorOf(text: string) {
  return text.trim() === '' || /^[0-9]+$/.test(text.trim())
    ? ''
    : 'Enter a whole number, e.g. 400000 baud or 250 Hz.'
}
const errors = computed(() => ({ bay: errorOf(bay.value), packets: errorOf(packets.value) }))

function take() {
  if (half.value || errors.value.bay !== '' || errors.value.packets !== '') return
  const empty = bay.value.trim() === ''
  emit('change', empty ? null : { bayBaud: Number(bay.value), packetHertz: Number(packets.value) })
}
</script>

<template>
  <div class="row">
    <NumberField
      v-model="bay"
      label="Module bay baud"
      field="bay"
      placeholder="unknown"
      keys="numeric"
      :error="errors.bay"
      @change="take"
    />
    <NumberField
      v-model="packets"
      label="Packet rate, Hz"
      field="packets"
      placeholder="unknown"
      keys="numeric"
      :error="errors.packets"
      @change="take"
    />
  </div>
  <p v-if="half" class="quiet small" role="status">Fill in both or neither.</p>
  <p v-else class="quiet small">
    If the bay cannot run the link's full baud, lower the baud and the packet rate, or telemetry
    drops out.
  </p>
</template>

<style scoped>
.row {
  display: flex;
  gap: 12px;
}

.small {
  margin-top: 4px;
  font-size: 0.875rem;
}
</style>
