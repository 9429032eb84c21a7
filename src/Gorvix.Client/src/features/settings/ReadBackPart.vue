<script setup lang="ts">
import TermHelp from '@/ui/TermHelp.vue'
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
import { limits } from '@/api/limits'
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
const kind = ref<TextKind>('readBack')
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

// A read-back is compared as it is saved; a backup is only saved.
async function keep() {
  if (kind.value === 'readBack') {
    await compare(true)
    return
  }
  await asked(() =>
    ask<undefined>(() =>
      api.POST('/api/builds/{id}/texts', {
        params: path(),
        body: { kind: kind.value, words: words.value, text: text.value },
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

const sim = [
  { act: 'take', words: '' },
  { act: 'save', words: 'Save and restart' },
  { act: 'restart', words: 'Restart without saving' },
  { act: 'print', words: 'Read back' },
  { act: 'reset', words: 'Factory reset' },
] as const
async function simulate(act: (typeof sim)[number]['act']) {
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
  everything: 'backup (full)',
  difference: 'backup (diff from defaults)',
  readBack: 'read-back',
}
</script>

<template>
  <div class="columns halves">
    <section>
      <h2>Dump from board <TermHelp term="dump" /></h2>
      <LineField v-slot="{ id }" label="Full dump">
        <v-textarea
          :id="id"
          v-model="text"
          rows="10"
          data-field="printout"
          spellcheck="false"
          class="label"
          :maxlength="limits.dump"
        />
      </LineField>
      <div class="buttons">
        <label class="file">
          <span>Load file</span>
          <input type="file" accept=".txt,text/plain" class="visually-hidden" @change="load" />
        </label>
        <v-btn
          color="primary"
          variant="flat"
          data-do="compare"
          :disabled="!text.trim() || busy"
          @click="compare(false)"
          >Compare dump</v-btn
        >
      </div>
      <div class="save">
        <LineField v-slot="{ id }" label="Save as">
          <v-select
            :id="id"
            v-model="kind"
            data-field="kind"
            :items="Object.entries(kinds).map(([value, title]) => ({ value, title }))"
          />
        </LineField>
        <LineField v-slot="{ id }" label="Firmware version, notes">
          <v-text-field :id="id" v-model="words" data-field="words" :maxlength="limits.dumpNote" />
        </LineField>
        <v-btn :disabled="!text.trim() || busy" data-do="keep" @click="keep">Save dump</v-btn>
      </div>
      <ProblemNote v-if="problem" title="That did not work" :problem="problem" />
      <details data-testid="simulated" :open="desk !== null">
        <summary>Simulated board{{ firmware ? ` (${firmware})` : '' }}</summary>
        <p class="quiet small">
          Accepts the neutral format and, like real firmware, silently clears port settings on a
          conflict.
        </p>
        <div class="buttons">
          <v-btn
            v-for="s in sim"
            :key="s.act"
            size="small"
            :data-do="`sim-${s.act}`"
            :disabled="busy"
            @click="simulate(s.act)"
            >{{
              s.act === 'take' ? `Send ${text.trim() ? 'this dump' : 'all settings'}` : s.words
            }}</v-btn
          >
        </div>
        <div v-if="desk" class="replies" role="status" data-testid="replies">
          <p v-for="(r, i) in desk.replies" :key="i">{{ r }}</p>
          <p v-if="!desk.isSaved" class="unsaved">Not saved: a restart will lose these settings.</p>
        </div>
      </details>
    </section>
    <section data-testid="report" aria-live="polite">
      <h2>Dump vs plan</h2>
      <p v-if="!report" class="quiet">
        Not read back yet. A conflict can silently clear all port settings.
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
          Not recognised: line{{ report.strange.length > 1 ? 's' : '' }}
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
          >Tick {{ same.length }} matching</v-btn
        >
        <details v-if="same.length > 0">
          <summary>{{ same.length }} matching</summary>
          <ul class="lines">
            <li v-for="l in same" :key="l.key">
              <span class="n">{{ l.line }}</span><span class="quiet">{{ l.words }}</span>
            </li>
          </ul>
        </details>
      </template>
    </section>
    <section class="whole">
      <h2>Saved dumps</h2>
      <p v-if="texts.length === 0" class="quiet">
        None yet. Before each change, save a full and a diff backup.
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
            :aria-label="`Delete dump: ${kinds[t.kind]}, ${dayOf(t.at)}`"
            @click="remove(t.number)"
            >Delete dump</v-btn
          >
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.whole {
  grid-column: 1 / -1;
}

h2 {
  margin: 8px 0 2px;
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

.save {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: end;
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
