<script setup lang="ts">
import { computed } from 'vue'
import type { Setup, SetupChoices } from '@/api/client'
import LineField from '@/ui/LineField.vue'
import PackFields from './PackFields.vue'
import RadioFields from './RadioFields.vue'
import VoltsField from './VoltsField.vue'

/** What feeds the build, its firmware, and the radio's side. Every choice plans again at once. */
const props = defineProps<{ setup: Setup; choices: SetupChoices | null }>()
const emit = defineEmits<{ change: [setup: Setup] }>()

const profile = computed(() => props.choices?.profiles.find((p) => p.id === props.setup.firmware))
const firmwares = computed(() => [
  { id: '', name: 'not set: all port functions allowed' },
  ...(props.choices?.profiles ?? []),
])

function set(part: Partial<Setup>) {
  emit('change', { ...props.setup, ...part })
}
</script>

<template>
  <section data-section="supply">
    <h2>Power</h2>
    <PackFields :pack="setup.pack ?? null" :choices="choices" @change="set({ pack: $event })" />
    <VoltsField :volts="setup.inputVolts ?? null" @change="set({ inputVolts: $event })" />
    <p class="quiet small">{{ choices?.pack.note }}</p>
  </section>

  <section data-section="firmware">
    <h2>Firmware</h2>
    <LineField v-slot="{ id }" label="Firmware" quiet>
      <v-select
        :id="id"
        data-field="firmware"
        :items="firmwares"
        item-title="name"
        item-value="id"
        :model-value="setup.firmware ?? ''"
        @update:model-value="set({ firmware: $event || null })"
      />
    </LineField>
    <ul v-if="profile" class="small quiet">
      <li v-for="note in profile.notes" :key="note">{{ note }}</li>
    </ul>
  </section>

  <section data-section="radio">
    <h2>Radio</h2>
    <RadioFields :radio="setup.radio ?? null" @change="set({ radio: $event })" />
  </section>
</template>

<style scoped>
section {
  padding: 14px 16px 16px;
  border: 1px solid var(--line);
  border-top: 0;
  background: var(--sheet);
}

h2 {
  margin-bottom: 4px;
  font-size: 1.125rem;
  font-weight: 650;
}

.small {
  margin-top: 4px;
  font-size: 0.875rem;
}
</style>
