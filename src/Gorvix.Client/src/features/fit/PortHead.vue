<script setup lang="ts">
import type { FitPort } from '@/api/client'
import PulseGlyph from '@/ui/PulseGlyph.vue'

/** A column's head: the port, how much of it is there, and the pads as printed. */
defineProps<{ port: FitPort; lit: boolean }>()

/** What a column is where it is no serial unit; a serial unit is told by how much of it is there. */
const kinds: Record<FitPort['kind'], string> = {
  uart: '',
  software: 'in code',
  pulse: 'pulses',
  bus: 'bus',
  picture: 'picture',
  usb: 'to the computer',
}
const shapes = {
  whole: 'whole',
  rxOnly: 'RX half',
  txOnly: 'TX half',
  held: 'held inside',
  buried: 'no pads',
}
</script>

<template>
  <th role="columnheader" scope="col" :class="{ lit }" :title="port.heldBy ?? undefined">
    <span class="id label">{{ port.id }}</span>
    <span class="shape">{{ kinds[port.kind] || shapes[port.shape] }}</span>
    <span class="pads label">
      <template v-for="(pad, i) in [...port.rxPads, ...port.txPads]" :key="pad.label">
        {{ ' ' }}
        <span class="pad">
          {{ i > 0 ? '· ' : '' }}{{ pad.label
          }}<PulseGlyph
            v-if="pad.turns"
            polarity="inverted"
            :width="22"
            :height="11"
            title="inverter"
          />
        </span>
      </template>
      <template v-if="port.rxPads.length + port.txPads.length === 0">–</template>
    </span>
  </th>
</template>

<style scoped>
th {
  padding: 8px 10px 6px;
  border-left: 1px solid var(--line-faint);
  font-weight: 400;
  line-height: 1.25;
  text-align: left;
  vertical-align: bottom;
}

.id {
  margin-right: 6px;
  font-size: 1.125rem;
  font-weight: 650;
}

.lit .id {
  color: var(--chosen);
}

.shape {
  color: var(--ink-2);
  font-size: 0.875rem;
}

.pads {
  display: block;
  font-size: 0.8125rem;
}

.pad {
  white-space: nowrap;
}

.pad .pulse {
  margin-left: 5px;
}
</style>
