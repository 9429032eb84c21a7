<script setup lang="ts">
import { useTitle } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type FitView, type Problem, type SweepLine } from '@/api/client'
import BuildBar from '@/features/build/BuildBar.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import { useChoices } from '@/ui/useChoices'
import SweepRow from './SweepRow.vue'
import { useSweep } from './useSweep'

/** Before you buy: the same wishes on every board, or with every part of a kind, best first. */
const props = defineProps<{ id: string; device: string }>()
const router = useRouter()
const view = shallowRef<FitView | null>(null)
const failed = ref<Problem | null>(null)
const { choices } = useChoices()
const sweep = useSweep(props.id)
const { ranked, byRoom, done, of, running, stopped, problem } = sweep

const kinds: Record<string, string> = {
  receiver: 'every receiver',
  videoTransmitter: 'every video transmitter',
  airUnit: 'every air unit',
  gnss: 'every GNSS module',
  speedController: 'every speed controller',
  telemetryRadio: 'every telemetry radio',
  camera: 'every camera',
  rangeFinder: 'every range finder',
  recorder: 'every recorder',
  wirelessBridge: 'every wireless bridge',
  compass: 'every compass',
  overlay: 'every overlay board',
  regulator: 'every regulator',
  filter: 'every filter',
  adapter: 'every adapter',
}
const subjects = computed(() => [
  { device: '', words: 'every board' },
  ...(view.value?.devices ?? []).map((d) => ({
    device: d.id,
    words: kinds[choices.value?.devices.find((p) => p.id === d.part)?.kind ?? ''] ?? d.id,
  })),
])
const best = computed(() => ranked.value[0])

async function load() {
  const answer = await ask(() =>
    api.GET('/api/builds/{id}/fit', { params: { path: { id: props.id } } }),
  )
  view.value = answer.data
  failed.value = answer.problem
}

function choose(device: string) {
  void router.replace({ query: device === '' ? {} : { device } })
}

async function take(line: SweepLine) {
  const version = view.value?.version
  if (version === undefined) return
  const answer = await ask(() =>
    api.POST('/api/builds/{id}/parts', {
      params: { path: { id: props.id } },
      body: {
        version,
        change:
          props.device === ''
            ? { kind: 'takeBoard', part: line.part }
            : { kind: 'takePart', device: props.device, part: line.part },
      },
    }),
  )
  if (answer.data) await router.push({ name: 'fit', params: { id: props.id } })
  else failed.value = answer.problem
}

useTitle(computed(() => `${view.value?.name ?? 'Build'} – Before you buy – Gorvix`))
watch(
  () => props.device,
  (device) => void sweep.run(device),
)
onMounted(async () => {
  await load()
  if (view.value) void sweep.run(props.device)
})
</script>

<template>
  <main class="sweep">
    <BuildBar v-if="view" :id="id" :name="view.name" step="sweep" />
    <ProblemNote
      v-if="failed"
      class="gap"
      :title="view ? 'That part was not taken' : 'This build cannot be shown'"
      :problem="failed"
    >
      <v-btn @click="load">Load again</v-btn>
      <v-btn variant="text" to="/">To the shelf</v-btn>
    </ProblemNote>
    <template v-if="view">
      <h1>What would {{ view.name }} be with another part?</h1>
      <p class="quiet lead">
        The same links are planned to the best on each candidate, best first. Nothing changes until
        you take one.
      </p>
      <div class="subjects" role="group" aria-label="What to try">
        <button
          v-for="subject in subjects"
          :key="subject.device"
          type="button"
          class="line-button"
          :aria-pressed="subject.device === device"
          :data-subject="subject.device"
          @click="choose(subject.device)"
        >
          {{ subject.words }}
        </button>
      </div>
      <div class="progress">
        <div
          class="bar"
          role="progressbar"
          aria-label="Candidates tried"
          :aria-valuenow="done"
          aria-valuemin="0"
          :aria-valuemax="of || 1"
        >
          <span :style="{ width: of ? `${(100 * done) / of}%` : '0' }" />
        </div>
        <span role="status" data-testid="progress">
          <template v-if="running">{{ done }} of {{ of || '…' }} tried</template>
          <template v-else-if="stopped">stopped after {{ done }} of {{ of }}</template>
          <template v-else-if="of > 0">all {{ of }} tried</template>
          <template v-else-if="!problem">nothing of this kind in the library</template>
        </span>
        <v-btn v-if="running" id="stop" size="small" @click="sweep.stop">Stop</v-btn>
        <v-btn v-else id="again" size="small" @click="sweep.run(device)">Try again</v-btn>
      </div>
      <ProblemNote v-if="problem" class="gap" title="The sweep broke off" :problem="problem" />
      <div v-if="best" class="order" role="group" aria-label="Order">
        <button
          type="button"
          class="line-button"
          data-order="best"
          :aria-pressed="!byRoom"
          @click="byRoom = false"
        >
          best first
        </button>
        <button
          type="button"
          class="line-button"
          data-order="room"
          :aria-pressed="byRoom"
          @click="byRoom = true"
        >
          most room left first
        </button>
      </div>
      <ol v-if="best" class="rows">
        <SweepRow
          v-for="(line, i) in ranked"
          :key="line.part"
          :line="line"
          :number="i + 1"
          @take="take(line)"
        />
      </ol>
    </template>
    <p v-else-if="!failed" class="quiet gap" role="status">Loading …</p>
  </main>
</template>

<style scoped>
.sweep {
  padding: 16px 24px 32px;
}

.gap {
  margin: 12px 0;
}

h1 {
  font-size: 1.625rem;
  font-weight: 650;
  line-height: 1.2;
}

.lead {
  margin: 2px 0 12px;
}

.subjects,
.order {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

.order {
  margin-bottom: 8px;
}

.subjects button,
.order button {
  background: var(--sheet);
  color: var(--ink);
}

.subjects button[aria-pressed='true'],
.order button[aria-pressed='true'] {
  border: 2px solid var(--chosen);
  font-weight: 600;
}

.progress {
  display: flex;
  gap: 12px;
  align-items: center;
  min-height: 48px;
}

.bar {
  flex: 0 1 320px;
  height: 10px;
  border: 1px solid var(--line);
}

.bar span {
  display: block;
  height: 100%;
  background: var(--chosen);
}

.rows {
  margin: 0;
  padding: 0;
  border: 1px solid var(--line);
  background: var(--sheet);
  list-style: none;
}
</style>
