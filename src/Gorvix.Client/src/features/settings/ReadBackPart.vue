<script setup lang="ts">
import { computed, ref } from 'vue'
import {
  api,
  ask,
  type DeskView,
  type KeptText,
  type Problem,
  type ReadReport,
  type TextKind,
} from '@/api/client'
import LineField from '@/ui/LineField.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import { dayOf } from '@/ui/dayOf'

/**
 * What the board prints is pasted or loaded and compared line by line with what was wanted, and kept. The simulated board stands in for
 * one on the cable.
 */
const props = defineProps<{ build: string; texts: KeptText[]; firmware: string | null }>()
const emit = defineEmits<{ kept: []; clean: [keys: string[]] }>()
const path = () => ({ path: { id: props.build } })
const text = ref('')
const words = ref('')
const report = ref<ReadReport | null>(null)
const desk = ref<DeskView | null>(null)
const problem = ref<Problem | null>(null)
const busy = ref(false)
const differs = computed(() => report.value?.lines.filter((l) => l.verdict !== 'same') ?? [])
const same = computed(() => report.value?.lines.filter((l) => l.verdict === 'same') ?? [])

async function asked<T>(of: () => ReturnType<typeof ask<T>>) {
  busy.value = true
  const answer = await of()
  busy.value = false
  problem.value = answer.problem
  return answer.data
}

async function compare(keep: boolean) {
  const data = await asked(() =>
    ask<ReadReport>(() =>
      api.POST('/api/builds/{id}/settings/read', {
        params: path(),
        body: { text: text.value, keep, words: words.value },
      }),
    ),
  )
  if (!data) return
  report.value = data
  if (keep) emit('kept')
}

async function keep(kind: TextKind) {
  await asked(() =>
    ask<undefined>(() =>
      api.POST('/api/builds/{id}/texts', {
        params: path(),
        body: { kind, words: words.value, text: text.value },
      }),
    ),
  )
  if (!problem.value) emit('kept')
}

async function load(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (file) text.value = await file.text()
  input.value = ''
}

async function simulate(act: 'take' | 'save' | 'restart' | 'reset' | 'print') {
  let lines = ''
  if (act === 'take') {
    lines =
      text.value.trim() || (await (await fetch(`/api/builds/${props.build}/settings.txt`)).text())
  }
  const data = await asked(() =>
    ask<DeskView>(() =>
      api.POST('/api/builds/{id}/settings/simulated', {
        params: path(),
        body: { do: act, text: lines },
      }),
    ),
  )
  if (!data) return
  desk.value = data
  if (act !== 'take') {
    text.value = data.printed
    await compare(false)
  }
}

async function remove(number: number) {
  await asked(() =>
    ask<undefined>(() =>
      api.DELETE('/api/builds/{id}/texts/{number}', {
        params: { path: { id: props.build, number } },
      }),
    ),
  )
  emit('kept')
}
const kinds: Record<TextKind, string> = {
  everything: 'back-up: everything',
  difference: 'back-up: difference from default',
  readBack: 'read back',
}
</script>

<template>
  <div class="columns">
    <section>
      <h2>What the board prints</h2>
      <LineField v-slot="{ id }" label="Paste it whole, or load a file">
        <v-textarea
          :id="id"
          v-model="text"
          rows="10"
          data-field="printout"
          spellcheck="false"
          class="label"
          :maxlength="262144"
        />
      </LineField>
      <div class="buttons">
        <label class="file">
          <span>Load a file</span>
          <input type="file" accept=".txt,text/plain" class="visually-hidden" @change="load" />
        </label>
        <v-btn
          color="primary"
          variant="flat"
          data-do="compare"
          :disabled="!text.trim() || busy"
          @click="compare(false)"
          >Compare</v-btn
        >
      </div>
      <LineField v-slot="{ id }" label="What there is to say of it: the firmware’s version">
        <v-text-field :id="id" v-model="words" data-field="words" :maxlength="500" />
      </LineField>
      <div class="buttons">
        <v-btn
          size="small"
          :disabled="!text.trim() || busy"
          data-do="keep-read"
          @click="compare(true)"
          >Keep as read back</v-btn
        >
        <v-btn
          size="small"
          :disabled="!text.trim() || busy"
          data-do="keep-all"
          @click="keep('everything')"
          >Keep as back-up, everything</v-btn
        >
        <v-btn
          size="small"
          :disabled="!text.trim() || busy"
          data-do="keep-difference"
          @click="keep('difference')"
          >Keep as back-up, difference</v-btn
        >
      </div>
      <ProblemNote v-if="problem" title="That did not work" :problem="problem" />
      <h2>No board at hand?</h2>
      <p class="quiet small">
        A simulated one{{ firmware ? `, ${firmware},` : '' }} takes the neutral form, keeps what is
        saved, and does without a word what firmware does: two jobs on one port empty the page.
      </p>
      <div class="buttons">
        <v-btn size="small" data-do="sim-take" :disabled="busy" @click="simulate('take')"
          >Give it {{ text.trim() ? 'this text' : 'the sheet' }}</v-btn
        >
        <v-btn size="small" data-do="sim-save" :disabled="busy" @click="simulate('save')"
          >Save</v-btn
        >
        <v-btn size="small" data-do="sim-restart" :disabled="busy" @click="simulate('restart')"
          >Restart without saving</v-btn
        >
        <v-btn size="small" data-do="sim-print" :disabled="busy" @click="simulate('print')"
          >Print back</v-btn
        >
        <v-btn size="small" data-do="sim-reset" :disabled="busy" @click="simulate('reset')"
          >As new</v-btn
        >
      </div>
      <div v-if="desk" class="replies" role="status" data-testid="replies">
        <p v-for="(r, i) in desk.replies" :key="i">{{ r }}</p>
        <p v-if="!desk.isSaved" class="unsaved">Not saved yet: a restart would forget it.</p>
      </div>
    </section>
    <section data-testid="report" aria-live="polite">
      <h2>Against what was wanted</h2>
      <p v-if="!report" class="quiet">
        Nothing is compared yet. A conflict empties the page without a word: only reading back
        tells.
      </p>
      <template v-else>
        <p class="verdict" :class="{ clean: report.isClean }" data-testid="verdict">
          {{ report.words }}
        </p>
        <ul class="lines">
          <li v-for="l in differs" :key="l.key" :data-read="l.key" class="differs">
            <span class="n">{{ l.line ?? '–' }}</span><span>{{ l.words }}</span>
          </li>
        </ul>
        <p v-if="report.strange.length > 0" class="quiet small">
          Not understood: line{{ report.strange.length > 1 ? 's' : '' }}
          {{ report.strange.slice(0, 20).join(', ')
          }}{{ report.strange.length > 20 ? ' and more' : '' }}.
        </p>
        <v-btn
          v-if="same.length > 0"
          size="small"
          data-do="tick-same"
          @click="
            emit(
              'clean',
              same.map((l) => l.key),
            )
          "
          >Tick the {{ same.length }} that stand as wanted</v-btn
        >
        <details v-if="same.length > 0">
          <summary>{{ same.length }} as wanted</summary>
          <ul class="lines">
            <li v-for="l in same" :key="l.key">
              <span class="n">{{ l.line }}</span><span class="quiet">{{ l.words }}</span>
            </li>
          </ul>
        </details>
      </template>
      <h2>Kept texts</h2>
      <p v-if="texts.length === 0" class="quiet">
        None yet. Before each change keep both: everything, and the difference from default.
      </p>
      <ul class="kept" data-testid="kept">
        <li v-for="t in texts" :key="t.number">
          <a :href="`/api/builds/${build}/texts/${t.number}`" download
            >{{ kinds[t.kind] }}, {{ dayOf(t.at) }}</a
          >
          <span class="quiet">{{ t.words }}</span>
          <v-btn
            size="small"
            variant="text"
            :aria-label="`Remove ${kinds[t.kind]} of ${dayOf(t.at)}`"
            @click="remove(t.number)"
            >Remove</v-btn
          >
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 28px;
}

h2 {
  margin: 8px 0 2px;
  font-size: 1.25rem;
  font-weight: 650;
}

.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin: 8px 0;
}

.file {
  display: inline-flex;
  align-items: center;
  min-height: 40px;
  padding: 0 13px;
  border: 1px solid var(--line);
  font-weight: 600;
  cursor: pointer;
}

.file:focus-within {
  outline: 3px solid var(--chosen);
}

.small {
  font-size: 0.9375rem;
}

ul {
  margin: 4px 0 8px;
  padding: 0;
  list-style: none;
}

.replies {
  padding: 6px 10px;
  border: 1px solid var(--line);
  font-family: var(--mono);
  font-size: 0.875rem;
}

.unsaved {
  color: var(--warn);
}

.verdict {
  padding: 6px 10px;
  border-left: 4px solid var(--stop);
  font-weight: 600;
}

.verdict.clean {
  border-left-color: var(--chosen);
}

.lines li {
  display: flex;
  gap: 10px;
  padding: 4px 0;
  border-bottom: 1px solid var(--line-faint);
}

.n {
  flex: none;
  min-width: 28px;
  color: var(--ink-2);
  font-variant-numeric: tabular-nums;
  text-align: right;
}

.kept li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  border-bottom: 1px solid var(--line-faint);
}

.kept .quiet {
  flex: 1;
}

details {
  margin: 8px 0;
}

summary {
  padding: 6px 0;
  cursor: pointer;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
