<script setup lang="ts">
import { computed, nextTick, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import type { ChangePreview, PartLine, PartsChange, Problem, SetupChoices } from '@/api/client'
import { useSweep } from '@/features/sweep/useSweep'
import { useBuild } from '@/stores/build'
import LineField from '@/ui/LineField.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import SidePanel from '@/ui/SidePanel.vue'
import VerdictMark from '@/ui/VerdictMark.vue'

/**
 * A part to take in place of another one, or besides: the library searched, each candidate planned, and what taking it
 * would do told before it is done.
 */
const props = defineProps<{
  /** 'board', 'add', or the id of a device to exchange. */
  of: string
  title: string
  lines: PartLine[]
  choices: SetupChoices
  now: string | null
  undo: string | null
}>()
const emit = defineEmits<{ take: [change: PartsChange]; undo: []; close: [] }>()

const mostShown = 40
const build = useBuild()
const sweep = useSweep(build.id)
const { ranked, running } = sweep
const search = ref('')
const kind = ref('')
const picked = ref<string | null>(null)
const preview = shallowRef<ChangePreview | null>(null)
const refused = shallowRef<Problem | null>(null)
const field = useTemplateRef<HTMLElement>('field')

const kinds = computed(() =>
  props.choices.kinds.filter((k) => props.lines.some((l) => !l.isBoard && l.kind === k.words)),
)
const ownKind = computed(() => props.lines.find((l) => l.id === props.now)?.kind)
const candidates = computed(() => {
  const words = search.value.toLowerCase().split(/\s+/)
  const of = (l: PartLine) =>
    props.of === 'board'
      ? l.isBoard
      : !l.isBoard &&
        (props.of === 'add' ? kind.value === '' || l.kind === kind.value : l.kind === ownKind.value)
  const text = (l: PartLine) => `${l.name} ${l.kind} ${l.brief}`.toLowerCase()
  const found = props.lines.filter((l) => of(l) && words.every((w) => text(l).includes(w)))
  // Best first, as far as they are planned.
  const rank = (l: PartLine) => ranked.value.findIndex((r) => r.part === l.id)
  const order = (l: PartLine) => (rank(l) < 0 ? ranked.value.length : rank(l))
  return found.sort((a, b) => order(a) - order(b))
})
const shown = computed(() => candidates.value.slice(0, mostShown))
const planned = (id: string) => ranked.value.find((r) => r.part === id)
const notes = (id: string) => props.choices.boards.find((b) => b.id === id)?.notes ?? []

function changeTo(part: string): PartsChange {
  return props.of === 'board'
    ? { kind: 'takeBoard', part }
    : props.of === 'add'
      ? { kind: 'addDevice', part }
      : { kind: 'takePart', device: props.of, part }
}

async function pick(part: string) {
  picked.value = part
  preview.value = refused.value = null
  const answer = await build.preview(changeTo(part))
  if (picked.value !== part) return
  preview.value = answer.data
  refused.value = answer.problem
  await nextTick()
  document.getElementById('take')?.focus()
  document.getElementById('told')?.scrollIntoView({ block: 'nearest' })
}

// Where the build changes, what was previewed of it is no longer so.
watch(
  () => build.view?.version,
  () => (picked.value = null),
)
watch(
  kind,
  (now) => {
    picked.value = null
    if (props.of !== 'add') sweep.run(props.of === 'board' ? {} : { device: props.of })
    else if (now === '') sweep.stop()
    else sweep.run({ add: props.choices.kinds.find((k) => k.words === now)?.value ?? '' })
  },
  { immediate: true },
)
onMounted(() => field.value?.querySelector('input')?.focus())
</script>

<template>
  <SidePanel :title="title" :undo="undo" @undo="$emit('undo')" @close="$emit('close')">
    <div ref="field" class="ask">
      <LineField v-slot="{ id }" label="Search">
        <v-text-field
          :id="id"
          v-model="search"
          data-field="search"
          placeholder="name or protocol"
          @keydown.enter.prevent="shown[0] && pick(shown[0].id)"
        />
      </LineField>
      <LineField v-if="of === 'add'" v-slot="{ id }" label="Type">
        <v-select
          :id="id"
          v-model="kind"
          data-field="kind"
          :items="[
            { title: 'all types', value: '' },
            ...kinds.map((k) => ({ title: k.words, value: k.words })),
          ]"
        />
      </LineField>
    </div>
    <p class="quiet small">
      <template v-if="candidates.length === 0">No match in the library. Try another word.</template>
      <template v-else-if="candidates.length > mostShown"
        >{{ candidates.length }} found, showing {{ mostShown }}. Type more to narrow it
        down.</template
      >
      <template v-else-if="running">Planning each part…</template>
      <template v-else-if="of === 'add' && kind === ''">Choose a type to rank the parts.</template>
      <template v-else>Best first. Select one to preview the change.</template>
    </p>
    <ul class="list">
      <li v-for="line in shown" :key="line.id">
        <v-card
          tag="button"
          variant="outlined"
          class="candidate"
          :class="{ picked: line.id === picked }"
          :data-candidate="line.id"
          :aria-pressed="line.id === picked"
          :aria-disabled="line.id === now"
          @click="line.id !== now && pick(line.id)"
        >
          <span class="name"
            >{{ line.name }}<span v-if="line.id === now" class="quiet"> – current</span></span
          >
          <span class="quiet brief">{{
            of === 'add' && kind === '' ? `${line.kind} · ${line.brief}` : line.brief
          }}</span>
          <span v-for="note in notes(line.id).slice(0, 1)" :key="note" class="quiet brief">{{
            note
          }}</span>
          <span v-if="planned(line.id)" class="planned">
            <VerdictMark :severity="planned(line.id)!.severity" :size="14" />
            <span>{{ planned(line.id)!.verdict }}</span>
          </span>
        </v-card>
        <div v-if="line.id === picked" id="told" class="told" aria-live="polite">
          <ProblemNote v-if="refused" title="Cannot use this part" :problem="refused" />
          <p v-else-if="!preview" class="quiet">Planning…</p>
          <template v-else>
            <p v-for="stop in preview.stops" :key="stop" class="stop">Problem: {{ stop }}</p>
            <p class="then">
              <VerdictMark :severity="preview.after.severity" />
              <span v-if="preview.stops.length > 0"
                >Result: {{ preview.after.carried }} of {{ preview.after.wanted }} links
                connected.</span
              >
              <span v-else>Result: {{ preview.after.sentence }}</span>
            </p>
            <ul>
              <li v-for="moved in preview.moved" :key="moved">{{ moved }}</li>
              <li v-if="preview.moved.length === 0">No other link moves.</li>
              <li v-for="fall in preview.falls" :key="fall">No longer applies: {{ fall }}</li>
            </ul>
            <p v-if="preview.work" class="quiet">Wiring work: {{ preview.work }}.</p>
            <v-btn id="take" color="primary" variant="flat" @click="emit('take', changeTo(line.id))"
              >{{ of === 'add' ? 'Add device' : 'Use this part'
              }}{{ preview.stops.length > 0 ? ' anyway' : '' }}</v-btn
            >
          </template>
        </div>
      </li>
    </ul>
  </SidePanel>
</template>

<style scoped>
.ask {
  display: flex;
  gap: 12px;
}

.small {
  margin: 6px 0;
  font-size: 0.9375rem;
}

.list > li + li {
  margin-top: 6px;
}

.candidate {
  display: block;
  width: 100%;
  padding: 8px 12px;
  border-color: var(--line);
  background: var(--ground);
  color: var(--ink);
  text-align: left;
}

.candidate:hover,
.picked {
  border-color: var(--chosen);
}

.name {
  display: block;
  font-weight: 600;
}

.brief {
  display: block;
  font-size: 0.875rem;
}

.planned,
.then {
  display: flex;
  gap: 8px;
  align-items: flex-start;
  font-size: 0.9375rem;
  line-height: 1.3;
}

.planned svg,
.then svg {
  margin-top: 2px;
}

.told {
  display: grid;
  gap: 6px;
  padding: 10px 12px;
  border: 1px solid var(--chosen);
  border-top: 0;
  overflow-wrap: anywhere;
}

.told .v-btn {
  justify-self: start;
}

.stop {
  color: var(--stop);
  font-weight: 600;
}
</style>
