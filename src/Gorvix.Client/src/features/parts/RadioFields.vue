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
    : 'A whole number, such as 400000 baud or 250 packets.'
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
      label="Module bay keeps, baud"
      field="bay"
      placeholder="not known"
      keys="numeric"
      :error="errors.bay"
      @change="take"
    />
    <NumberField
      v-model="packets"
      label="Packets a second"
      field="packets"
      placeholder="not known"
      keys="numeric"
      :error="errors.packets"
      @change="take"
    />
  </div>
  <p v-if="half" class="quiet small" role="status">Give both, or leave both empty.</p>
  <p v-else class="quiet small">
    A bay that does not keep the fast rate of the link is set to a slower one, and loses telemetry
    where the packets come too fast for that.
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
