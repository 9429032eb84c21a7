<script setup lang="ts">
import TermHelp from '@/ui/TermHelp.vue'
import type { LoomView } from '@/api/client'
import { computed } from 'vue'
import { savePng } from '@/features/picture/savePng'
import MenuButton from '@/ui/MenuButton.vue'
import WideTable from '@/ui/WideTable.vue'

/** Every wire, every lead that stays loose, what to measure before power, and what to cut. */
const props = defineProps<{ sheet: LoomView['sheet']; build: string }>()
const emit = defineEmits<{ print: [] }>()
const files = computed(() => {
  const of = `/api/builds/${props.build}`
  return [
    {
      id: 'print-all',
      words: 'Print everything',
      about: 'wires, plugs, checks, board',
      run: () => emit('print'),
    },
    { words: 'Wire list', about: 'CSV', href: `${of}/wires.csv` },
    { words: 'Wiring picture', about: 'SVG', href: `${of}/loom.svg` },
    ...[2, 4].map((times) => ({
      id: `png-${times}`,
      words: 'Wiring picture',
      about: `PNG, ${times}×`,
      run: () => void savePng(`${of}/loom.svg`, `${props.build}-wiring-${times}x.png`, times),
    })),
    { words: 'Build card', about: 'SVG, to keep with the build', href: `${of}/card.svg` },
    { words: 'Wiring page', about: 'Markdown', href: `${of}/loom.md` },
    { words: 'Wiring data', about: 'JSON', href: `${of}/loom.json` },
  ]
})
</script>

<template>
  <section data-testid="wires">
    <header>
      <h2>Wires <TermHelp term="awg" /></h2>
      <MenuButton variant="outlined" data-do="files" label="Export wiring" :items="files" />
    </header>
    <WideTable>
      <thead>
        <tr>
          <th>From</th>
          <th>Colour</th>
          <th>To</th>
          <th>Signal</th>
          <th class="n">AWG</th>
          <th class="n">cm</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="w in sheet.wires" :key="w.id" :data-wire="w.id">
          <td>
            <span class="label">{{ w.label }}</span><template v-if="(w.pieces ?? 1) > 1">
              × {{ w.pieces }}</template
            >
            {{ w.name }}
          </td>
          <td>{{ w.colour ?? '' }}</td>
          <td class="label">{{ w.at }}</td>
          <td>{{ w.job }}</td>
          <td class="n">{{ w.isJoint ? w.gauge : '' }}</td>
          <td class="n">{{ w.isJoint ? w.millimetres / 10 : '' }}</td>
        </tr>
      </tbody>
    </WideTable>
    <p v-if="sheet.wires.length === 0" class="quiet">No wires yet: no link has a port.</p>
    <p class="quiet small">
      Twist signal and supply with that device's ground. No gauge or length: lead stays in its plug.
    </p>
  </section>
  <section v-if="sheet.spare.length > 0" data-testid="spare">
    <h2>Unused leads</h2>
    <ul>
      <li v-for="s in sheet.spare" :key="`${s.device} ${s.lead}`">
        <span class="label">{{ s.label }}</span> {{ s.name
        }}<template v-if="s.colour"> ({{ s.colour }})</template>: {{ s.treatment }}.
      </li>
    </ul>
  </section>
  <section data-testid="continuity">
    <h2>Continuity before power-up <TermHelp term="continuity" /></h2>
    <p class="quiet small">Disconnect battery and USB. One probe per joint.</p>
    <WideTable>
      <thead>
        <tr>
          <th>Probe 1</th>
          <th>Probe 2</th>
          <th>Expected</th>
          <th>If not</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(p, i) in sheet.continuity" :key="i">
          <td class="label">{{ p.one }}</td>
          <td class="label">{{ p.other }}</td>
          <td class="must" :class="p.finds">{{ p.expected }}</td>
          <td>{{ p.why }}</td>
        </tr>
      </tbody>
    </WideTable>
  </section>
  <section v-if="sheet.cuts.length > 0" data-testid="cuts">
    <h2>Cut list</h2>
    <ul>
      <li v-for="(c, i) in sheet.cuts" :key="i">
        AWG {{ c.gauge }}, {{ c.colour ?? 'any colour' }}: {{ c.pieces }}
        {{ c.pieces === 1 ? 'piece' : 'pieces' }}, {{ c.millimetres / 10 }} cm in total
      </li>
    </ul>
  </section>
</template>

<style scoped>
section {
  margin-top: 22px;
}

h2 {
  margin-bottom: 4px;
}

ul {
  padding-left: 18px;
}

.n {
  font-variant-numeric: tabular-nums;
  text-align: right;
}

.must {
  font-weight: 650;
  white-space: nowrap;
}

header {
  display: flex;
  gap: 16px;
  align-items: center;
  justify-content: space-between;
}

tr {
  break-inside: avoid;
}
</style>
