<script setup lang="ts">
import { computed } from 'vue'
import type { Device } from '@/api/client'
import LineField from '@/ui/LineField.vue'
import { listed } from './listed'
import TypedText from './TypedText.vue'

/** What else rides inside a mode without wires of its own, and what it loses there. */
type Mode = Device['functions'][number]['modes'][number]
const props = defineProps<{ device: Device; of: string; mode: Mode }>()
const emit = defineEmits<{ set: [next: Partial<Mode>] }>()

const carries = computed(() => props.mode.carries ?? [])
const others = computed(() =>
  props.device.functions.filter((f) => f.id !== props.of).map((f) => f.id),
)
function ride(ids: string[]) {
  emit('set', {
    carries: ids.map((id) => carries.value.find((c) => c.function === id) ?? { function: id }),
  })
}
function lose(id: string, text: string) {
  emit('set', {
    carries: carries.value.map((c) => (c.function === id ? { ...c, loses: listed(text) } : c)),
  })
}
</script>

<template>
  <div v-if="others.length > 0" class="fields two">
    <LineField v-slot="{ id }" label="In-band functions">
      <v-select
        :id="id"
        data-field="carries"
        multiple
        placeholder="none"
        :items="others"
        :model-value="carries.map((c) => c.function)"
        @update:model-value="ride($event)"
      />
    </LineField>
    <TypedText
      v-for="c in carries"
      :key="c.function"
      :label="`Lost in-band: ${c.function}`"
      :field="`less-${c.function}`"
      :value="(c.loses ?? []).join('; ')"
      placeholder="none"
      @change="lose(c.function, $event)"
    />
  </div>
</template>
