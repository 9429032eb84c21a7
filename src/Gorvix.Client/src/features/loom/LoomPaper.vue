<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed } from 'vue'
import type { FitView, LoomView, WiringPicture } from '@/api/client'
import Picture from '@/features/picture/WiringPicture.vue'
import { bySide } from './useLoom'

/** What goes to the bench on one sheet of paper: ports, wires, plugs, bridges, leads that go nowhere, cautions. Only on paper. */
const props = defineProps<{
  view: FitView
  loom: LoomView
  /** The wiring picture; null while it is not there. */
  picture: WiringPicture | null
  /** True for every step and every pair to measure, on more sheets. */
  whole: boolean
}>()
// The sheet is made when it is printed: each tick would draw it anew otherwise.
const isPrinting = useMediaQuery('print')
const done = computed(
  () => new Set(props.loom.sheet.steps.filter((s) => s.isDone).map((s) => s.id)),
)
// Side by side, so that there is room for the picture.
const halves = computed(() => {
  const { wires } = props.loom.sheet
  const middle = Math.ceil(wires.length / 2)
  return [wires.slice(0, middle), wires.slice(middle)].filter((h) => h.length > 0)
})
const moves = (f: LoomView['sheet']['faces'][number]) =>
  f.cavities.map((c) => `${c.number} ${c.needs?.label ?? '–'}`).join(' · ')
</script>

<template>
  <section v-if="isPrinting" class="paper" data-testid="paper">
    <h1>{{ view.name }}</h1>
    <p class="cautions">{{ loom.cautions.join(' ') }}</p>
    <Picture v-if="picture" class="sheet" paper :picture="picture" :name="view.name" />
    <h2>Ports</h2>
    <p>{{ loom.sheet.ports.map((p) => p.words).join('; ') }}.</p>
    <h2>Wires</h2>
    <div class="halves">
      <table v-for="(half, i) in halves" :key="i">
        <thead>
          <tr>
            <th></th>
            <th>Device</th>
            <th>Lead</th>
            <th>Colour</th>
            <th>To</th>
            <th>Signal</th>
            <th>AWG</th>
            <th>cm</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="w in half" :key="w.id">
            <td><span class="box" :class="{ done: done.has(`joint ${w.id}`) }"></span></td>
            <td>{{ w.name }}</td>
            <td class="label">{{ w.label }}{{ (w.pieces ?? 1) > 1 ? ` × ${w.pieces}` : '' }}</td>
            <td>{{ w.colour }}</td>
            <td class="label">{{ w.at }}</td>
            <td>{{ w.job }}</td>
            <td>{{ w.isJoint ? w.gauge : '' }}</td>
            <td>{{ w.isJoint ? w.millimetres / 10 : '' }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <template v-if="loom.sheet.faces.length > 0">
      <h2>Plugs (pin 1 at marked end)</h2>
      <p v-for="f in loom.sheet.faces" :key="f.device">
        {{ f.name }} in {{ f.socket }}: <span class="label">{{ moves(f) }}</span>
      </p>
    </template>
    <template v-for="topic in ['undo', 'plug', 'bridge'] as const" :key="topic">
      <template v-if="loom.sheet.steps.some((s) => s.topic === topic)">
        <h2>
          {{ { undo: 'Remove first', plug: 'Re-pin plugs', bridge: 'Solder jumpers' }[topic] }}
        </h2>
        <p v-for="s in loom.sheet.steps.filter((x) => x.topic === topic)" :key="s.id">
          <span class="box" :class="{ done: s.isDone }"></span> {{ s.words }}
        </p>
      </template>
    </template>
    <template v-if="loom.sheet.spare.length > 0">
      <h2>Unused leads</h2>
      <p>{{ loom.sheet.spare.map((s) => `${s.name} ${s.label}: ${s.treatment}`).join('; ') }}.</p>
    </template>
    <div v-if="whole" class="more">
      <h2>Steps in order</h2>
      <template v-for="(g, i) in bySide(loom.sheet.steps)" :key="i">
        <h3>{{ g.words }}</h3>
        <p v-for="s in g.steps" :key="s.id">
          <span class="box" :class="{ done: s.isDone }"></span> {{ s.words }} {{ s.iron }}
          {{ s.look }}
        </p>
      </template>
      <h2>Continuity before power-up (battery and USB off)</h2>
      <table>
        <tbody>
          <tr v-for="(p, i) in loom.sheet.continuity" :key="i">
            <td><span class="box"></span></td>
            <td class="label">{{ p.one }}</td>
            <td class="label">{{ p.other }}</td>
            <td>{{ p.expected }}</td>
            <td>{{ p.why }}</td>
          </tr>
        </tbody>
      </table>
      <h2>Cut list</h2>
      <p v-for="(c, i) in loom.sheet.cuts" :key="i">
        AWG {{ c.gauge }}, {{ c.colour ?? 'any colour' }}: {{ c.pieces }},
        {{ c.millimetres / 10 }} cm in total
      </p>
    </div>
  </section>
</template>

<style scoped>
.paper {
  display: none;
}

@media print {
  .paper {
    display: block;
    font-size: 7.8pt;
    line-height: 1.14;
  }

  h1 {
    font-size: 13pt;
    font-weight: 650;
  }

  h2 {
    margin: 3pt 0 0.5pt;
    font-size: 8.4pt;
    font-weight: 650;
  }

  /* As large as leaves room for the lists of a usual build below it. */
  .sheet :deep(svg) {
    max-height: 152mm;
  }

  .sheet :deep(figcaption) {
    font-size: 8pt;
  }

  .cautions {
    margin-top: 2pt;
    padding: 2pt 4pt;
    border: 0.7pt solid #000;
  }

  .halves {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0 5mm;
    align-items: start;
  }

  table {
    width: 100%;
    border-collapse: collapse;
  }

  th,
  td {
    padding: 0.2pt 3pt 0.2pt 0;
    border-bottom: 0.4pt solid #888;
    text-align: left;
    vertical-align: baseline;
  }

  .label {
    font-size: 7.4pt;
  }

  .more {
    break-before: page;
  }

  h3 {
    margin-top: 3pt;
    font-weight: 650;
  }

  tr,
  p {
    break-inside: avoid;
  }

  .box {
    display: inline-block;
    width: 6pt;
    height: 6pt;
    border: 0.6pt solid #000;
  }

  /* Crossed, not filled: ink runs. */
  .done {
    background: linear-gradient(to top right, transparent 42%, #000 42% 58%, transparent 58%);
    print-color-adjust: exact;
  }
}
</style>
