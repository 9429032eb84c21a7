<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import {
  api,
  ask,
  type GnssGeneration,
  type ModuleLineView,
  type ModuleReport,
  type Problem,
} from '@/api/client'
import LineField from '@/ui/LineField.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import SkyDots from './SkyDots.vue'
import { grouped } from './useSettings'

/** A module on an adapter: found, asked, set up, proved; or one of the stand-ins that ship. */
const props = defineProps<{ wish: { generation: GnssGeneration; baud: number; hertz: number } }>()
const emit = defineEmits<{ told: [generation: GnssGeneration] }>()
const lines = shallowRef<ModuleLineView[]>([])
const line = ref('')
const report = shallowRef<ModuleReport | null>(null)
const problem = ref<Problem | null>(null)
const busy = ref('')
/** Only what answered can be configured, proved or reset. */
const isFound = computed(() => report.value?.baud != null)
watch(line, () => (report.value = null))
const picture = computed(() => report.value?.picture ?? null)
const fixes = { none: 'no fix', flat: '2D fix', full: '3D fix' }

async function look() {
  const { data } = await ask<ModuleLineView[]>(() => api.GET('/api/gnss/lines'))
  lines.value = data ?? []
  if (!lines.value.some((l) => l.id === line.value)) line.value = lines.value[0]?.id ?? ''
}
onMounted(() => void look())

async function work(act: 'look' | 'setUp' | 'prove' | 'revert', words: string, seconds = 3) {
  busy.value = words
  const { data, problem: refused } = await ask<ModuleReport>(() =>
    api.POST('/api/gnss/lines/{line}', {
      params: { path: { line: line.value } },
      body: { do: act, ...props.wish, seconds },
    }),
  )
  busy.value = ''
  problem.value = refused
  if (!data) return
  report.value = data
  // What a stand-in says is nothing about the builder's own module.
  const isReal = lines.value.some((l) => l.id === line.value && !l.isSimulated)
  if (isReal && data.generation && data.generation !== props.wish.generation)
    emit('told', data.generation)
}
</script>

<template>
  <section data-testid="module">
    <h2>Module on adapter</h2>
    <div class="row">
      <LineField v-slot="{ id }" label="Adapter">
        <v-select
          :id="id"
          v-model="line"
          data-field="line"
          :items="lines"
          item-title="words"
          item-value="id"
          no-data-text="No adapter found."
        />
      </LineField>
      <v-btn size="small" class="again" @click="look">Refresh list</v-btn>
    </div>
    <div class="buttons">
      <v-btn
        :size="isFound ? 'small' : 'default'"
        :color="isFound ? undefined : 'primary'"
        :variant="isFound ? 'outlined' : 'flat'"
        data-do="module-look"
        :disabled="!!busy || !line"
        @click="work('look', 'Detecting baud rate and listening…')"
        >Find module</v-btn
      >
      <v-btn
        v-if="isFound"
        size="small"
        data-do="module-wait"
        :disabled="!!busy || !line"
        @click="work('look', 'Listening for 1 min…', 60)"
        >Listen 1 min</v-btn
      >
      <v-btn
        v-if="isFound"
        size="small"
        color="primary"
        variant="flat"
        data-do="module-set"
        :disabled="!!busy || !line"
        @click="work('setUp', 'Sending configuration…')"
        >Configure module</v-btn
      >
      <v-btn
        v-if="isFound"
        size="small"
        data-do="module-prove"
        :disabled="!!busy || !line"
        @click="work('prove', 'Power-cycling and verifying…')"
        >Power-cycle and verify</v-btn
      >
      <v-btn
        v-if="isFound"
        size="small"
        data-do="module-revert"
        :disabled="!!busy || !line"
        @click="work('revert', 'Restoring factory settings…')"
        >Factory reset</v-btn
      >
    </div>
    <p v-if="busy" role="status" class="quiet">{{ busy }}</p>
    <ProblemNote v-if="problem" title="Module command failed" :problem="problem" />
    <template v-if="report">
      <div v-if="picture" class="heard">
        <SkyDots :sky="picture.sky" />
        <dl data-testid="heard">
          <dt>fix</dt>
          <dd>{{ fixes[picture.fix] }}</dd>
          <dt>satellites used</dt>
          <dd>{{ picture.used }}</dd>
          <dt>position</dt>
          <dd>
            {{
              picture.latitude == null
                ? 'unknown'
                : `${picture.latitude.toFixed(5)}, ${picture.longitude?.toFixed(5)}`
            }}
          </dd>
          <dt>update rate</dt>
          <dd>{{ picture.hertz }} Hz</dd>
          <dt>baud</dt>
          <dd>{{ report.baud ? grouped(report.baud) : 'unknown' }}</dd>
          <dt>UART load</dt>
          <dd>{{ Math.round(100 * picture.load) }} %</dd>
        </dl>
      </div>
      <p v-if="picture" class="quiet small" data-testid="says">
        Messages:
        {{ picture.messages.map((m) => `${m.name} ${m.perSecond}/s`).join(', ') || 'none' }}.
      </p>
      <ol class="log" data-testid="log">
        <li v-for="(l, i) in report.log" :key="i" :class="{ trouble: l.isTrouble }">
          {{ l.words }}
        </li>
      </ol>
    </template>
    <p v-else class="quiet">
      Connect TX → RX, RX → TX, GND → GND; 5 V only if the datasheet allows it.
    </p>
  </section>
</template>

<style scoped>
h2 {
  margin: 8px 0 2px;
}

.row,
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
  margin-bottom: 8px;
}

.again {
  height: 40px;
}

.heard {
  display: flex;
  flex-wrap: wrap;
  gap: 20px;
  align-items: start;
}

dl {
  display: grid;
  flex: 1;
  grid-template-columns: max-content minmax(0, 1fr);
  margin: 0;
}

dt,
dd {
  padding: 3px 0;
  border-bottom: 1px solid var(--line-faint);
}

dt {
  padding-right: 16px;
  color: var(--ink-2);
}

dd {
  margin: 0;
  font-variant-numeric: tabular-nums;
}

.log {
  max-height: 320px;
  margin: 12px 0;
  padding: 6px 8px 6px 34px;
  overflow-y: auto;
  border: 1px solid var(--line);
  background: var(--sheet);
}

.log li {
  padding: 2px 0;
}

.trouble {
  color: var(--stop);
  font-weight: 600;
}
</style>
