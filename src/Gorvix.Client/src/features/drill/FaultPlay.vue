<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import type { DrillView, FaultDrillSheet, TestKind } from '@/api/client'
import BoardFace from '@/features/board/BoardFace.vue'
import FaultLesson from './FaultLesson.vue'
import ListRow from '@/ui/ListRow.vue'
import { minutesOf } from '@/ui/minutes'

/** A hidden fault: what was seen, the tests that can be done, and what it is to be called. */
const props = defineProps<{ sheet: FaultDrillSheet; view: DrillView; busy: boolean }>()
const emit = defineEmits<{ test: [id: string]; name: [id: string] }>()

const sorts: { kind: TestKind; words: string }[] = [
  { kind: 'look', words: 'Inspect' },
  { kind: 'measureCold', words: 'Measure, power off' },
  { kind: 'measureLive', words: 'Measure, power on' },
  { kind: 'wiggle', words: 'Wiggle test' },
  { kind: 'page', words: 'Settings' },
  { kind: 'trial', words: 'Swap or change' },
]
const MOST = 60
const words = ref('')
const called = ref('')
const at = ref<string | null>(null)
const finder = useTemplateRef<HTMLInputElement>('finder')
const namer = useTemplateRef<HTMLInputElement>('namer')
const list = useTemplateRef<HTMLElement>('list')

const seen = computed(() => new Set(props.sheet.seen.map((s) => s.test)))
const holds = (text: string, asked: string) =>
  asked
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .every((w) => text.toLowerCase().includes(w))
const left = computed(() =>
  props.sheet.tests.filter(
    (t) => !seen.value.has(t.id) && holds(`${t.title} ${t.do}`, words.value),
  ),
)
const groups = computed(() =>
  sorts
    .map((s) => ({ ...s, tests: left.value.filter((t) => t.kind === s.kind).slice(0, MOST) }))
    .filter((g) => g.tests.length > 0),
)
const order = computed(() => groups.value.flatMap((g) => g.tests))
const chosen = computed(() => order.value.find((t) => t.id === at.value) ?? null)
const names = computed(() =>
  called.value.trim() === ''
    ? []
    : props.sheet.names.filter((n) => holds(n.words, called.value)).slice(0, 12),
)
const lit = computed(() => [
  ...new Set(
    [chosen.value?.redPad, chosen.value?.blackPad, ...(props.sheet.debrief?.pads ?? [])].filter(
      (p) => p != null,
    ),
  ),
])

function say(id: string) {
  called.value = ''
  emit('name', id)
}
function test() {
  if (!chosen.value || props.busy || props.sheet.debrief) return
  emit('test', chosen.value.id)
  words.value = ''
}
async function another(by: number) {
  const i = order.value.findIndex((t) => t.id === at.value)
  at.value = order.value[Math.min(order.value.length - 1, Math.max(0, i + by))]?.id ?? null
  await nextTick()
  list.value?.querySelector('[aria-current="step"]')?.scrollIntoView({ block: 'nearest' })
}
defineExpose({
  find: () => finder.value?.focus(),
  name: () => namer.value?.focus(),
  test,
  another,
})
</script>

<template>
  <FaultLesson v-if="sheet.debrief" :lesson="sheet.debrief" />
  <div class="columns thirds">
    <section aria-label="Observed so far">
      <p class="clock" data-testid="clock" :data-minutes="sheet.minutes">
        <b>{{ minutesOf(sheet.minutes) }}</b> <span class="quiet">bench time</span>
      </p>
      <p v-if="sheet.isBurnt" class="burnt" role="alert">
        Over-voltage destroyed a part: 2 h added.
      </p>
      <h2>Observed so far</h2>
      <ul class="seen">
        <li v-for="s in sheet.seen" :key="s.test" :class="{ off: !s.isSound }">
          <span class="title">{{ s.title }}</span>
          <span class="shown">{{ s.words }}</span>
          <span v-if="s.minutes > 0" class="quiet">{{ minutesOf(s.minutes) }}</span>
        </li>
      </ul>
      <template v-if="sheet.left.length > 0">
        <h2>Still possible</h2>
        <ul class="left">
          <li v-for="l in sheet.left" :key="l">{{ l }}</li>
        </ul>
      </template>
    </section>
    <section v-if="!sheet.debrief" aria-label="Tests">
      <h2>Choose a test</h2>
      <span data-field="find"
        ><input
          ref="finder"
          v-model="words"
          type="search"
          placeholder="TX, 5V, sticks…"
          aria-label="Search tests"
          @keydown.escape="finder?.blur()"
      /></span>
      <div ref="list" class="tests" tabindex="-1">
        <template v-for="g in groups" :key="g.kind">
          <h3>{{ g.words }}</h3>
          <ul class="worked">
            <ListRow
              v-for="t in g.tests"
              :id="t.id"
              :key="t.id"
              :data-test="t.id"
              :words="t.title"
              :end="minutesOf(t.minutes)"
              :chosen="t.id === at"
              @choose="at = t.id === at ? null : t.id"
            >
              <div class="how">
                <p>{{ t.do }}</p>
                <v-btn color="primary" variant="flat" data-do="test" :disabled="busy" @click="test"
                  >Run test<v-kbd aria-hidden="true">T</v-kbd></v-btn
                >
              </div>
            </ListRow>
          </ul>
        </template>
        <p v-if="groups.length === 0" class="quiet" role="status">
          No matching test. Try another word.
        </p>
      </div>
    </section>
    <section aria-label="Name the fault">
      <template v-if="!sheet.debrief">
        <h2>Name the fault</h2>
        <span data-field="name"
          ><input
            ref="namer"
            v-model="called"
            type="search"
            placeholder="open, swapped, SBUS…"
            aria-label="Search faults"
            @keydown.escape="namer?.blur()"
            @keydown.enter="names.length === 1 && names[0] && say(names[0].id)"
        /></span>
        <ul class="names">
          <li v-for="n in names" :key="n.id">
            <button type="button" :disabled="busy" :data-name="n.id" @click="say(n.id)">
              {{ n.words }}
            </button>
          </li>
        </ul>
        <p v-if="names.length === 1" class="quiet">Press Enter to answer.</p>
        <p v-else-if="called && names.length === 0" class="quiet" role="status">
          No matching fault. Try another word.
        </p>
        <p v-else-if="!called" class="quiet">
          A wrong answer costs 10 min and the search continues.
        </p>
      </template>
      <ul v-if="sheet.named.length > 0" class="named">
        <li v-for="n in sheet.named" :key="n.words">
          {{ n.isRight ? 'Correct' : 'Not the fault' }}: {{ n.words }}
        </li>
      </ul>
      <BoardFace
        class="board"
        :face="view.face"
        :name="view.name"
        :lit="lit"
        :red="chosen?.redPad"
        :black="chosen?.blackPad"
      />
    </section>
  </div>
</template>

<style scoped>
.columns {
  gap: 24px;
}

h2 {
  margin: 4px 0 6px;
  font-size: 1.1875rem;
  font-weight: 650;
}

h3 {
  margin-top: 10px;
  color: var(--ink-2);
  font-size: 0.9375rem;
  font-weight: 600;
}

.clock b {
  font-size: 1.75rem;
  font-weight: 700;
  line-height: 1.1;
}

.burnt {
  margin: 4px 0;
  padding-left: 10px;
  border-left: 4px solid var(--stop);
}

.seen li {
  padding: 6px 0;
  border-top: 1px solid var(--line-faint);
}

.seen .off {
  padding-left: 8px;
  border-left: 4px solid var(--warn);
}

.title {
  display: block;
  font-weight: 550;
}

.shown {
  margin-right: 10px;
}

.left li,
.named li {
  padding: 4px 0;
  border-top: 1px solid var(--line-faint);
}

input {
  width: 100%;
  min-height: 40px;
  padding: 4px 10px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: inherit;
  font: inherit;
}

.tests {
  max-height: calc(100vh - 220px);
  margin-top: 4px;
  overflow: auto;
}

.names button {
  display: flex;
  gap: 10px;
  align-items: center;
  justify-content: space-between;
  width: 100%;
  min-height: 40px;
  padding: 4px 8px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.names button:hover:not(:disabled) {
  background: var(--sheet);
}

.how .v-btn {
  margin-top: 6px;
}

.names button {
  border: 1px solid var(--line);
  border-top-width: 0;
}

.names li:first-child button {
  border-top-width: 1px;
}

.board {
  margin-top: 12px;
}

@media (max-width: 1000px) {
  .tests {
    max-height: 420px;
  }

  .board {
    max-width: 420px;
  }
}
</style>
