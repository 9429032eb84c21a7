<script setup lang="ts">
import type { BuildSettings } from '@/api/client'
import LineField from '@/ui/LineField.vue'

/** What no plan can know: what the goggles draw, what the radio sends. */
const props = defineProps<{ settings: BuildSettings; hasCanvas: boolean }>()
const emit = defineEmits<{ change: [settings: BuildSettings] }>()
const set = (part: Partial<BuildSettings>) => emit('change', { ...props.settings, ...part })
const channels = [4, 6, 8, 10, 12, 14, 16].map((n) => ({ value: n, title: `${n} channels` }))
const strength = [
  { value: null, title: 'in-band (over the RC link)' },
  ...Array.from({ length: 12 }, (_, i) => ({ value: i + 5, title: `on channel ${i + 5}` })),
]
</script>

<template>
  <section class="no-print" data-section="choices">
    <h2>Your equipment</h2>
    <div class="row">
      <LineField v-if="hasCanvas" v-slot="{ id }" label="OSD grid">
        <v-select
          :id="id"
          data-field="canvas"
          :items="[
            { value: null, title: 'unknown' },
            { value: 'standard', title: '4:3' },
            { value: 'wide', title: 'wide' },
          ]"
          :model-value="settings.canvas ?? null"
          @update:model-value="(canvas: 'standard' | 'wide' | null) => set({ canvas })"
        />
      </LineField>
      <LineField v-slot="{ id }" label="RC channels">
        <v-select
          :id="id"
          data-field="channels"
          :items="[{ value: null, title: 'unknown' }, ...channels]"
          :model-value="settings.channels ?? null"
          @update:model-value="(n: number | null) => set({ channels: n })"
        />
      </LineField>
      <LineField v-slot="{ id }" label="RSSI source">
        <v-select
          :id="id"
          data-field="strength"
          :items="strength"
          :model-value="settings.rssiChannel ?? null"
          @update:model-value="(n: number | null) => set({ rssiChannel: n })"
        />
      </LineField>
    </div>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 20px;
}

h2 {
  margin-bottom: 4px;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
}

.row > * {
  flex: 1 1 160px;
}
</style>
