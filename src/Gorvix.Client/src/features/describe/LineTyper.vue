<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import type { BoardAnswer } from '@/api/client'
import LineField from '@/ui/LineField.vue'

/**
 * A line of leaflet text, typed as it is printed: what it is read as stands below while it is typed, Enter takes it. What
 * is certain is taken as it is, what is not is taken as doubtful.
 */
const props = defineProps<{
  label: string
  field: string
  example: string
  preview: (lines: string) => Promise<BoardAnswer | null>
  add: (lines: string) => Promise<BoardAnswer | null>
}>()
const text = ref('')
const seen = shallowRef<BoardAnswer | null>(null)

watchDebounced(
  text,
  async (now) => {
    if (now.trim() === '') return (seen.value = null)
    const answer = await props.preview(now)
    if (now === text.value) seen.value = answer
  },
  { debounce: 80 },
)
const pads = computed(() =>
  (seen.value?.added ?? []).map((id) => seen.value?.look.pads.find((p) => p.id === id)),
)
const doubts = computed(() => pads.value.filter((p) => p?.doubt).length)

async function take() {
  if (text.value.trim() === '') return
  const answer = await props.add(text.value)
  if (!answer) return
  seen.value = answer
  if (answer.problems.length > 0) return
  text.value = ''
  seen.value = null
}
/** Several lines at once, as they come out of a printed page. */
async function paste(event: ClipboardEvent) {
  const lines = event.clipboardData?.getData('text') ?? ''
  if (!lines.trim().includes('\n')) return
  event.preventDefault()
  text.value = lines.trim().replace(/\r?\n/g, '\n')
}
</script>

<template>
  <div class="typer">
    <LineField v-slot="{ id }" :label="label">
      <v-textarea
        :id="id"
        v-model="text"
        class="label"
        :data-field="field"
        :placeholder="example"
        persistent-placeholder
        rows="1"
        hide-details
        auto-grow
        max-rows="8"
        spellcheck="false"
        autocapitalize="off"
        @keydown.enter.exact.prevent="take"
        @paste="paste"
      />
    </LineField>
    <v-btn :disabled="text.trim() === ''" :data-do="`take-${field}`" @click="take">Add line</v-btn>
  </div>
  <div v-if="seen" class="preview" role="status" :data-preview="field">
    <p v-for="problem in seen.problems" :key="problem.sentence" class="problem">
      {{ problem.sentence }}
    </p>
    <ul v-if="pads.length > 0">
      <li v-for="pad in pads" :key="pad?.id" :class="{ doubt: pad?.doubt }">
        <span class="label">{{ pad?.label }}</span> {{ pad?.reads
        }}<span v-if="pad?.doubt" class="why">: measure first, {{ pad.doubt }}</span>
      </li>
    </ul>
    <p v-for="line in seen.assumed" :key="line" class="quiet">{{ line }}</p>
    <p v-if="seen.problems.length === 0" class="quiet">
      Enter adds {{ pads.length > 0 ? 'these pads' : 'this line'
      }}{{ doubts > 0 ? `; ${doubts} marked “measure first”` : '' }}.
    </p>
  </div>
</template>

<style scoped>
.typer {
  display: flex;
  gap: 8px;
  align-items: end;
}

.preview {
  margin-top: 6px;
  padding: 8px 12px;
  border: 1px dashed var(--line);
  font-size: 0.9375rem;
}

.preview ul {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
}

.preview li .label {
  margin-right: 4px;
  font-weight: 600;
}

.doubt {
  color: var(--warn);
}

.problem {
  color: var(--stop);
}
</style>
