<script setup lang="ts">
import type { LoomView } from '@/api/client'
import { mustBe } from './useLoom'

/** Every wire, every lead that stays loose, what to measure before power, and what to cut. */
defineProps<{ sheet: LoomView['sheet']; build: string }>()
defineEmits<{ print: [] }>()
</script>

<template>
  <section data-testid="wires">
    <h2>Wires</h2>
    <v-table density="compact">
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
    </v-table>
    <p v-if="sheet.wires.length === 0" class="quiet">No wires yet: no link has a port.</p>
    <p class="quiet small">
      Twist signal and supply with that device's ground. No gauge or length: lead stays in its plug.
    </p>
    <p class="files">
      <a :href="`/api/builds/${build}/card.svg`" download>Build card (SVG)</a>
      <a :href="`/api/builds/${build}/loom.svg`" download>Wiring drawing (SVG)</a>
      <a :href="`/api/builds/${build}/wires.csv`" download>Wire list (CSV)</a>
      <a :href="`/api/builds/${build}/loom.md`" download>Wiring page (Markdown)</a>
      <a :href="`/api/builds/${build}/loom.json`" download>Wiring data (JSON)</a>
      <v-btn size="small" variant="outlined" data-do="print-all" @click="$emit('print')"
        >Print everything</v-btn
      >
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
    <h2>Continuity before power-up</h2>
    <p class="quiet small">Disconnect battery and USB. One probe per joint.</p>
    <v-table density="compact">
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
          <td class="must" :class="p.finds">{{ mustBe(p) }}</td>
          <td>{{ p.why }}</td>
        </tr>
      </tbody>
    </v-table>
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
  font-size: 1.25rem;
  font-weight: 650;
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

.files {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  margin-top: 6px;
}

.files a {
  display: inline-flex;
  align-items: center;
  min-height: 32px;
}

.small {
  font-size: 0.9375rem;
}

tr {
  break-inside: avoid;
}
</style>
