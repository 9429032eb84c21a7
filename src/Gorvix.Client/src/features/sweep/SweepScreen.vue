<script setup lang="ts">
import { useTitle } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, onMounted, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { SweepLine } from '@/api/client'
import BuildBar from '@/features/build/BuildBar.vue'
import StandingNote from '@/features/build/StandingNote.vue'
import { useBuild } from '@/stores/build'
import LineField from '@/ui/LineField.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import { useLibrary } from '@/stores/library'
import SweepRow from './SweepRow.vue'
import { type SweepOver, useSweep } from './useSweep'

/** Before you buy: the same wishes on every board, or with every part of a kind, best first. */
const props = defineProps<{ id: string; device: string; add: string }>()
const router = useRouter()
const build = useBuild()
const { view, problem: failed } = storeToRefs(build)
const library = useLibrary()
const sweep = useSweep(props.id)
const { ranked, byRoom, done, of, running, stopped, problem } = sweep

const over = computed<SweepOver>(() =>
  props.add !== '' ? { add: props.add } : props.device !== '' ? { device: props.device } : {},
)

const subjects = computed(() => [
  { device: '', words: 'all boards' },
  ...(view.value?.devices ?? []).map((d) => ({
    device: d.id,
    words: `all ${library.line(d.part)?.kind ?? d.part}s${twin(d.part) ? ` for ${d.name ?? d.id}` : ''}`,
  })),
])
const kindOf = (part: string) => library.line(part)?.kind
function twin(part: string) {
  return (view.value?.devices ?? []).filter((d) => kindOf(d.part) === kindOf(part)).length > 1
}

/** Kinds of the library, those that the build lacks first. */
const kinds = computed(() => {
  const there = new Set((view.value?.devices ?? []).map((d) => kindOf(d.part)))
  const all = (library.choices?.kinds ?? []).filter((k) =>
    library.lines?.some((l) => !l.isBoard && l.kind === k.words),
  )
  return [...all.filter((k) => !there.has(k.words)), ...all.filter((k) => there.has(k.words))].map(
    (k) => ({ value: k.value, title: there.has(k.words) ? `another ${k.words}` : k.words }),
  )
})
const best = computed(() => ranked.value[0])

function choose(device: string | null) {
  if (device !== null) void router.replace({ query: device === '' ? {} : { device } })
}
function addKind(kind: string) {
  void router.replace({ query: { add: kind } })
}

async function take(line: SweepLine) {
  await build.changeParts(
    props.add !== ''
      ? { kind: 'addDevice', part: line.part }
      : props.device === ''
        ? { kind: 'takeBoard', part: line.part }
        : { kind: 'takePart', device: props.device, part: line.part },
  )
  if (build.standing === 'saved') await router.push({ name: 'fit', params: { id: props.id } })
}

useTitle(computed(() => `${view.value?.name ?? 'Build'} – Before you buy – Gorvix`))
watch(over, (now) => sweep.run(now))
onMounted(async () => {
  void library.load()
  await build.open(props.id)
  if (view.value) sweep.run(over.value)
})
</script>

<template>
  <main class="sweep">
    <BuildBar v-if="view" :view="view" step="sweep" />
    <StandingNote />
    <template v-if="view">
      <h1>
        <bdi>{{ view.name }}</bdi> with other parts
      </h1>
      <p class="quiet lead">
        Your links, planned on each candidate. Nothing changes until you choose one.
      </p>
      <v-btn-toggle
        class="choice"
        :model-value="add === '' ? device : null"
        aria-label="Parts to compare"
        @update:model-value="choose"
      >
        <v-btn
          v-for="subject in subjects"
          :key="subject.device"
          :value="subject.device"
          :data-subject="subject.device"
          >{{ subject.words }}</v-btn
        >
      </v-btn-toggle>
      <LineField v-slot="{ id: field }" class="add" label="Or add">
        <v-select
          :id="field"
          data-field="add"
          :items="kinds"
          placeholder="device type"
          persistent-placeholder
          :model-value="add === '' ? null : add"
          @update:model-value="$event && addKind($event)"
        />
      </LineField>
      <div class="progress">
        <v-progress-linear
          class="bar"
          aria-label="Candidates checked"
          color="primary"
          height="10"
          :model-value="done"
          :max="of || 1"
        />
        <span :role="running ? undefined : 'status'" data-testid="progress">
          <template v-if="running">{{ done }} of {{ of || '…' }} checked</template>
          <template v-else-if="stopped">stopped at {{ done }} of {{ of }}</template>
          <template v-else-if="of > 0">all {{ of }} checked</template>
          <template v-else-if="!problem">no parts of this type in the library</template>
        </span>
        <v-btn v-if="running" id="stop" size="small" @click="sweep.stop">Stop comparing</v-btn>
        <v-btn v-else id="again" size="small" @click="sweep.run(over)">Run again</v-btn>
      </div>
      <ProblemNote v-if="problem" class="gap" title="Comparison interrupted" :problem="problem" />
      <v-btn-toggle v-if="best" v-model="byRoom" class="choice" mandatory aria-label="Sort by">
        <v-btn :value="false" data-order="best">best fit</v-btn>
        <v-btn :value="true" data-order="room">most free ports</v-btn>
      </v-btn-toggle>
      <ol v-if="best" class="rows">
        <SweepRow
          v-for="(line, i) in ranked"
          :key="line.part"
          :line="line"
          :number="i + 1"
          :verb="add === '' ? 'Use part' : 'Add device'"
          @take="take(line)"
        />
      </ol>
    </template>
    <p v-else-if="!failed" class="quiet gap" role="status">Loading…</p>
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

.choice {
  flex-wrap: wrap;
  height: auto;
  margin-bottom: 8px;
}

.add {
  max-width: 320px;
}

.progress {
  display: flex;
  gap: 12px;
  align-items: center;
  min-height: 48px;
}

.bar {
  flex: 0 1 320px;
  border: 1px solid var(--line);
}

.rows {
  margin: 0;
  padding: 0;
  border: 1px solid var(--line);
  background: var(--sheet);
  list-style: none;
}
</style>
