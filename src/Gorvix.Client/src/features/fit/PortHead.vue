<script setup lang="ts">
import { computed } from 'vue'
import type { FitPort } from '@/api/client'
import PulseGlyph from '@/ui/PulseGlyph.vue'

/** A column's head: the port, how much of it is there, and the pads as printed. */
const props = defineProps<{ port: FitPort; lit: boolean }>()

/** A few pads of each half: a plug repeats what pads lead to already. All of them stand in the title. */
const pads = computed(() => {
  const { rxPads, txPads } = props.port
  const rx = rxPads.filter((pad, i) => i === 0 || pad.turns !== rxPads[0]?.turns).slice(0, 2)
  const tx = txPads.filter((pad, i) => i === 0 || pad.turns !== txPads[0]?.turns).slice(0, 2)
  return [...rx, ...tx]
})
const all = computed(() => [...props.port.rxPads, ...props.port.txPads])
const title = computed(() =>
  [props.port.heldBy, all.value.map((pad) => pad.label).join(' · ')].filter(Boolean).join(': '),
)
</script>

<template>
  <th role="columnheader" scope="col" :class="{ lit }">
    <v-tooltip v-if="title" activator="parent" location="bottom" :text="title" />
    <span class="id label">{{ port.id }}</span>
    {{ ' ' }}
    <span class="shape">{{ port.words }}</span>
    <span class="pads label">
      <template v-for="(pad, i) in pads" :key="pad.label">
        {{ ' ' }}
        <span class="pad">
          {{ i > 0 ? '· ' : ''
          }}<template v-for="(piece, n) in pad.label.split(/(?<=\/)/)" :key="n"
            ><wbr v-if="n > 0" />{{ piece }}</template
          ><PulseGlyph
            v-if="pad.turns"
            polarity="inverted"
            :width="22"
            :height="11"
            title="inverter"
          />
        </span>
      </template>
      <span v-if="all.length > pads.length" class="more"
        >{{ ' ' }}+{{ all.length - pads.length }}</span
      >
      <template v-else-if="all.length === 0 && !port.heldBy">–</template>
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

.more {
  color: var(--ink-2);
}

.pad {
  white-space: nowrap;
}

.pad .pulse {
  margin-left: 5px;
}

@media (max-width: 900px) {
  .shape {
    display: block;
  }
}

@media (max-width: 1439px) {
  th {
    padding: 8px 4px 6px 6px;
  }

  .shape,
  .pads {
    font-size: 0.75rem;
  }

  .pad {
    white-space: normal;
  }
}
</style>
