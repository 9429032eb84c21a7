<script setup lang="ts">
import TermHelp from '@/ui/TermHelp.vue'
import { useThrottleFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import {
  api,
  ask,
  type Budget,
  type GnssAdvice,
  type GnssGeneration,
  type SetupFramesView,
} from '@/api/client'
import { limits } from '@/api/limits'
import LineField from '@/ui/LineField.vue'
import ModuleDesk from './ModuleDesk.vue'
import { grouped } from './useSettings'

/** How full the module's line is, how it is set up, byte by byte, and the work at one that hangs on an adapter. */
const props = defineProps<{ gnss: GnssAdvice }>()
const emit = defineEmits<{
  hertz: [hertz: number]
  generation: [generation: 'older' | 'newer']
  way: [way: 'board' | 'stored' | null]
}>()
const satellites = ref(20)
const hertz = ref(props.gnss.hertz)
const baud = ref(props.gnss.baud ?? 115200)
const generation = ref<GnssGeneration>(props.gnss.generation ?? 'older')
const budget = shallowRef<Budget | null>(null)
const frames = shallowRef<SetupFramesView | null>(null)
let turn = 0

const count = useThrottleFn(
  async () => {
    const own = ++turn
    const { data } = await ask<Budget>(() =>
      api.GET('/api/gnss/budget', {
        params: {
          query: {
            protocol: props.gnss.protocol,
            generation: generation.value,
            satellites: satellites.value,
            hertz: hertz.value,
            baud: baud.value,
          },
        },
      }),
    )
    if (own === turn && data) budget.value = data
  },
  40,
  true,
  true,
)
async function list() {
  const { data } = await ask<SetupFramesView>(() =>
    api.GET('/api/gnss/setup', {
      params: { query: { generation: generation.value, baud: baud.value, hertz: hertz.value } },
    }),
  )
  frames.value = data ?? null
}
watch([satellites, hertz, baud, generation], () => void count(), { immediate: true })
watch([hertz, baud, generation], () => void list(), { immediate: true })
watch(
  () => props.gnss,
  (g) => {
    hertz.value = g.hertz
    generation.value = g.generation ?? 'older'
  },
)
const load = computed(() => budget.value?.load ?? 0)
const parts = computed(() => {
  const b = budget.value
  if (!b) return []
  return b.lines.map((l) => ({
    ...l,
    part: (l.bytes * l.perSecond * 10) / b.baud,
  }))
})
const scale = computed(() => Math.max(1, load.value))
const file = computed(
  () =>
    `/api/gnss/setup.bin?generation=${generation.value}&baud=${baud.value}&hertz=${hertz.value}`,
)
const ways = [
  { value: 'board', title: 'board, at each start' },
  { value: 'stored', title: 'settings saved in module' },
]
</script>

<template>
  <div class="columns halves">
    <ModuleDesk
      :wish="{ generation, baud, hertz }"
      @told="(g: GnssGeneration) => emit('generation', g)"
    />
    <section>
      <h2>UART load <TermHelp term="baud" /></h2>
      <p class="quiet small">{{ gnss.name }} on {{ gnss.port }}, {{ gnss.protocol }}</p>
      <div
        class="bar"
        role="img"
        :aria-label="`UART load ${Math.round(100 * load)} %`"
        data-testid="budget-bar"
      >
        <span
          v-for="(p, i) in parts"
          :key="p.name"
          :class="['part', `p${i % 3}`]"
          :style="{ width: `${(100 * p.part) / scale}%` }"
          :title="`${p.name}: ${p.bytes} bytes`"
        />
        <i class="full" :style="{ left: `${80 / scale}%` }" aria-hidden="true" />
        <i v-if="scale > 1" class="end" :style="{ left: `${100 / scale}%` }" aria-hidden="true" />
      </div>
      <p class="load" data-testid="load">
        <strong>{{ Math.round(100 * load) }} %</strong>
        <span :class="{ over: load > 0.8 }">{{ budget?.words }}</span>
      </p>
      <LineField v-slot="{ id }" :label="`Satellites in view: ${satellites}`">
        <input
          :id="id"
          v-model.number="satellites"
          type="range"
          class="range"
          data-field="satellites"
          min="0"
          max="60"
          step="1"
        />
      </LineField>
      <div class="row">
        <LineField v-slot="{ id }" label="Update rate, Hz">
          <v-select
            :id="id"
            v-model="hertz"
            data-field="hertz"
            :items="[1, 2, 4, 5, 8, 10, 15, 18, 20, 25]"
            @update:model-value="emit('hertz', hertz)"
          />
        </LineField>
        <LineField v-slot="{ id }" label="Baud">
          <v-select
            :id="id"
            v-model="baud"
            data-field="gnss-baud"
            :items="limits.gnssBauds.map((b) => ({ value: b, title: grouped(b) }))"
          />
        </LineField>
        <LineField v-slot="{ id }" label="Protocol generation">
          <v-select
            :id="id"
            v-model="generation"
            data-field="generation"
            :items="[
              { value: 'older', title: 'older (per-message rates)' },
              { value: 'newer', title: 'newer (keys and values)' },
            ]"
            @update:model-value="emit('generation', generation)"
          />
        </LineField>
      </div>
      <p v-if="!gnss.isTold" class="quiet small">
        Generation unknown. Use “Find module” to read it.
      </p>
      <table>
        <tbody>
          <tr v-for="(p, i) in parts" :key="p.name">
            <td><i :class="['part', 'key', `p${i % 3}`]" aria-hidden="true" /></td>
            <th scope="row" class="label">{{ p.name }}</th>
            <td class="num">{{ p.bytes }} bytes</td>
            <td class="num">{{ p.perSecond }}/s</td>
            <td class="quiet">{{ p.why }}</td>
          </tr>
        </tbody>
      </table>
      <h2>Configuration</h2>
      <LineField v-slot="{ id }" label="Configured by" quiet>
        <v-select
          :id="id"
          data-field="way"
          :items="ways"
          :model-value="gnss.way"
          @update:model-value="(w: 'board' | 'stored') => emit('way', w)"
        />
      </LineField>
      <p>{{ gnss.why }}</p>
      <details>
        <summary>{{ frames?.frames.length ?? 0 }} frames, {{ frames?.bytes ?? 0 }} bytes</summary>
        <ol class="frames" data-testid="frames">
          <li v-for="(f, i) in frames?.frames ?? []" :key="i">
            <strong class="label">{{ f.name }}</strong> {{ f.words }}
            <code class="label">{{ f.hex }}</code>
          </li>
        </ol>
      </details>
      <v-btn size="small" :href="file" download data-do="save-frames">Download frames (.bin)</v-btn>
      <p v-if="generation === 'older'" class="quiet small">
        Send the file twice: at the module's present baud, then at {{ baud }} baud. It saves at the
        second.
      </p>
    </section>
  </div>
</template>

<style scoped>
h2 {
  margin: 8px 0 2px;
}

.bar {
  position: relative;
  display: flex;
  height: 34px;
  margin: 6px 0;
  border: 1px solid var(--ink);
  background: var(--sheet);
}

.part {
  display: block;
  height: 100%;
  border-right: 1px solid var(--ink);
}

.p0 {
  background: repeating-linear-gradient(45deg, var(--ink-2) 0 1px, transparent 1px 6px);
}

.p1 {
  background: repeating-linear-gradient(-45deg, var(--ink-2) 0 1px, transparent 1px 4px);
}

.p2 {
  background: repeating-linear-gradient(90deg, var(--ink-2) 0 1px, transparent 1px 5px);
}

.key {
  width: 22px;
  height: 16px;
  border: 1px solid var(--ink-2);
}

.full,
.end {
  position: absolute;
  top: -5px;
  bottom: -5px;
  border-left: 2px dashed var(--warn);
}

.end {
  border-left: 3px solid var(--stop);
}

.load {
  display: flex;
  gap: 12px;
  align-items: baseline;
}

.load strong {
  font-size: 1.375rem;
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}

.over {
  color: var(--stop);
}

.range {
  width: 100%;
  accent-color: var(--chosen);
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
}

.row > * {
  flex: 1 1 130px;
}

table {
  width: 100%;
  margin: 8px 0;
  border-collapse: collapse;
}

td,
th {
  padding: 4px 10px 4px 0;
  border-bottom: 1px solid var(--line-faint);
  font-weight: 400;
  text-align: left;
}

.num {
  font-variant-numeric: tabular-nums;
  text-align: right;
  white-space: nowrap;
}

summary {
  padding: 6px 0;
  cursor: pointer;
}

.frames {
  margin: 0 0 8px;
  padding-left: 24px;
}

.frames li {
  padding: 4px 0;
  border-bottom: 1px solid var(--line-faint);
}

.frames code {
  display: block;
  color: var(--ink-2);
  overflow-wrap: anywhere;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
