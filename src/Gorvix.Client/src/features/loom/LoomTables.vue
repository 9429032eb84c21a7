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
          <th>For</th>
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
            of the {{ w.name }}
          </td>
          <td>{{ w.colour ?? '' }}</td>
          <td class="label">{{ w.at }}</td>
          <td>{{ w.job }}</td>
          <td class="n">{{ w.isJoint ? w.gauge : '' }}</td>
          <td class="n">{{ w.isJoint ? w.millimetres / 10 : '' }}</td>
        </tr>
      </tbody>
    </v-table>
    <p v-if="sheet.wires.length === 0" class="quiet">
      Nothing is joined yet: no link of this build has a place.
    </p>
    <p class="quiet small">
      Twist each signal and supply with the ground of its device. Without a gauge and a length: a
      lead that stays in its plug.
    </p>
    <p class="files">
      <a :href="`/api/builds/${build}/card.svg`" download>Card for the craft</a>
      <a :href="`/api/builds/${build}/loom.svg`" download>Drawing</a>
      <a :href="`/api/builds/${build}/wires.csv`" download>List for a spreadsheet</a>
      <a :href="`/api/builds/${build}/loom.md`" download>Page as text</a>
      <a :href="`/api/builds/${build}/loom.json`" download>JSON</a>
      <v-btn size="small" variant="outlined" data-do="print-all" @click="$emit('print')"
        >Print with all steps and pairs</v-btn
      >
    </p>
  </section>
  <section v-if="sheet.spare.length > 0" data-testid="spare">
    <h2>Leads that go nowhere</h2>
    <ul>
      <li v-for="s in sheet.spare" :key="`${s.device} ${s.lead}`">
        <span class="label">{{ s.label }}</span> of the {{ s.name
        }}<template v-if="s.colour"> ({{ s.colour }})</template>: {{ s.treatment }}.
      </li>
    </ul>
  </section>
  <section data-testid="continuity">
    <h2>Before the first power: what beeps</h2>
    <p class="quiet small">Battery and USB off. Press each probe on its own joint.</p>
    <v-table density="compact">
      <thead>
        <tr>
          <th>One probe</th>
          <th>The other</th>
          <th>Must be</th>
          <th>If it is not</th>
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
    <h2>To cut</h2>
    <ul>
      <li v-for="(c, i) in sheet.cuts" :key="i">
        AWG {{ c.gauge }}, {{ c.colour ?? 'any colour' }}: {{ c.pieces }}
        {{ c.pieces === 1 ? 'piece' : 'pieces' }}, {{ c.millimetres / 10 }} cm together
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
