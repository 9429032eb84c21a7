<script setup lang="ts">
import { useThrottleFn } from '@vueuse/core'
import { ref, watch } from 'vue'
import { api, ask, type FormResult, type Problem } from '@/api/client'
import { limits } from '@/api/limits'
import LineField from '@/ui/LineField.vue'
import ProblemNote from '@/ui/ProblemNote.vue'

/** The sheet in the builder's own form, written while one looks at it; and a pattern that reads the board's own printout. */
const props = defineProps<{
  build: string
  form: string
  pattern: string | null
  firmware: string | null
}>()
const emit = defineEmits<{ kept: [] }>()
const template = ref(props.form)
const pattern = ref(props.pattern ?? '')
const result = ref<FormResult | null>(null)
const problem = ref<Problem | null>(null)
const told = ref('')
/** What stands for what: in the template (Liquid), and in the pattern (named groups of a regular expression). */
const reference: [string, string][] = [
  ['build', 'name of the build'],
  ['board, boardName', 'id of its board; maker, name and revision'],
  ['settings', 'list of every setting; loop over it with for'],
  ['key, value, words, why', 'of each setting: id, value, sentence, reason'],
  ['place, printed, done', 'its group, its line in the neutral format, ticked or not'],
  ['port, job, protocol, baud', 'of a port setting'],
  ['rx, tx, oneWire, swapped', 'of a port setting: inverted RX, TX; half-duplex; pins swapped'],
  ['(?<port>…) (?<job>…)', 'groups of a dump pattern: a port and its function'],
  ['(?<key>…) (?<value>…)', 'groups of a dump pattern: any other setting'],
]
let turn = 0

const fill = useThrottleFn(
  async () => {
    const own = ++turn
    const { data, problem: refused } = await ask<FormResult>(() =>
      api.POST('/api/builds/{id}/settings/form', {
        params: { path: { id: props.build } },
        body: { template: template.value, pattern: null },
      }),
    )
    if (own !== turn) return
    problem.value = refused
    if (data) result.value = data
  },
  30,
  true,
  true,
)
watch(template, () => void fill(), { immediate: true })
watch(
  () => [props.form, props.pattern] as const,
  ([form, p]) => {
    template.value = form
    pattern.value = p ?? ''
  },
)
async function keep() {
  const { problem: refused } = await ask(() =>
    api.PUT('/api/builds/{id}/settings/form', {
      params: { path: { id: props.build } },
      body: { template: template.value, pattern: pattern.value.trim() || null },
    }),
  )
  problem.value = refused
  told.value = refused ? '' : `Saved for ${props.firmware}.`
  if (!refused) emit('kept')
}
</script>

<template>
  <div class="columns halves">
    <section>
      <h2>Settings template</h2>
      <LineField v-slot="{ id }" label="Template">
        <v-textarea
          :id="id"
          v-model="template"
          rows="14"
          class="label"
          spellcheck="false"
          data-field="template"
          :maxlength="limits.template"
        />
      </LineField>
      <LineField v-slot="{ id }" label="Dump pattern (regex)">
        <v-textarea
          :id="id"
          v-model="pattern"
          rows="2"
          class="label"
          spellcheck="false"
          data-field="pattern"
          placeholder="empty = neutral format"
          persistent-placeholder
          :maxlength="limits.template"
        />
      </LineField>
      <details data-testid="reference">
        <summary>Variables and pattern groups</summary>
        <dl>
          <template v-for="[names, words] in reference" :key="names">
            <dt>
              <code>{{ names }}</code>
            </dt>
            <dd>{{ words }}</dd>
          </template>
        </dl>
      </details>
      <div class="buttons">
        <v-btn
          color="primary"
          variant="flat"
          data-do="keep-form"
          :disabled="!firmware || result?.error != null"
          @click="keep"
          >Save template</v-btn
        >
        <span v-if="told" role="status">{{ told }}</span>
        <span v-if="!firmware" class="quiet"
          >Choose the firmware under Parts first; templates are saved per firmware.</span
        >
      </div>
      <ProblemNote v-if="problem" title="Template not saved" :problem="problem" />
    </section>
    <section aria-live="polite">
      <h2>Preview</h2>
      <p v-if="result?.error" class="wrong" data-testid="form-error">
        {{ result.line ? `Line ${result.line}: ` : '' }}{{ result.error }}
      </p>
      <pre v-else class="label" tabindex="0" data-testid="form-text">{{ result?.text }}</pre>
      <p class="files">
        <a :href="`/api/builds/${build}/settings.txt`" download>Neutral format</a>
        <a :href="`/api/builds/${build}/settings.md`" download>Markdown</a>
        <a :href="`/api/builds/${build}/settings.csv`" download>CSV</a>
        <a :href="`/api/builds/${build}/settings.json`" download>JSON</a>
      </p>
    </section>
  </div>
</template>

<style scoped>
h2 {
  margin: 8px 0 2px;
}

summary {
  min-height: 32px;
  padding: 4px 0;
  cursor: pointer;
}

dl {
  display: grid;
  grid-template-columns: max-content minmax(0, 1fr);
  gap: 2px 16px;
  margin: 0 0 8px;
  font-size: 0.9375rem;
}

dd {
  margin: 0;
}

.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin: 8px 0;
}

.wrong {
  padding-left: 10px;
  border-left: 4px solid var(--stop);
}

pre {
  max-height: 480px;
  padding: 8px 10px;
  overflow: auto;
  border: 1px solid var(--line);
  background: var(--sheet);
  font-size: 0.875rem;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}

.files {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  margin-top: 8px;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
