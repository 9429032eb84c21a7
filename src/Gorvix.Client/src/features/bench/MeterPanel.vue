<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { ref, shallowRef, watch } from 'vue'
import { api, ask, type Answer, type ModuleLineView, type Problem } from '@/api/client'
import { limits } from '@/api/limits'
import LineField from '@/ui/LineField.vue'
import ProblemNote from '@/ui/ProblemNote.vue'

/** A meter on a cable: what it shows is taken as it is. */
const props = defineProps<{ build: string; check: string | null; takesNumber: boolean }>()
const emit = defineEmits<{ read: [value: number | null, answer: Answer | null] }>()

const lines = shallowRef<ModuleLineView[]>([])
const line = useLocalStorage('gorvix-meter', '')
const baud = useLocalStorage('gorvix-meter-baud', 9600)
const open = ref(false)
const busy = ref(false)
const said = ref('')
const problem = ref<Problem | null>(null)

watch(open, async (isOpen) => {
  if (!isOpen) return
  const answer = await ask(() => api.GET('/api/meters'))
  lines.value = answer.data ?? lines.value
  problem.value = answer.problem
  if (!lines.value.some((l) => l.id === line.value)) line.value = lines.value[0]?.id ?? ''
})
async function read() {
  const check = props.check
  if (!check || busy.value) return
  busy.value = true
  said.value = ''
  const { data, problem: refused } = await ask(() =>
    api.POST('/api/builds/{id}/bench/meter', {
      params: { path: { id: props.build } },
      body: { line: line.value, check, baud: baud.value },
    }),
  )
  busy.value = false
  problem.value = refused
  if (!data) return
  if (data.value !== null && data.value !== undefined) emit('read', data.value, null)
  else if (data.isOpen) emit('read', null, 'no')
  else said.value = data.problem ?? ''
}
defineExpose({ read: () => open.value && void read() })
</script>

<template>
  <details class="meter" :open="open" @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>Connected meter</summary>
    <ProblemNote v-if="problem" title="Could not read meter" :problem="problem" />
    <div v-if="lines.length > 0" class="fields">
      <LineField v-slot="{ id }" label="Meter">
        <v-select
          :id="id"
          v-model="line"
          data-field="meter"
          :items="lines"
          item-title="words"
          item-value="id"
        />
      </LineField>
      <LineField v-slot="{ id }" label="Baud">
        <v-select :id="id" v-model="baud" data-field="meter-baud" :items="limits.meterBauds" />
      </LineField>
    </div>
    <v-btn
      variant="outlined"
      data-do="meter"
      :disabled="!check || !takesNumber || busy"
      @click="read"
      >Read meter <v-kbd aria-hidden="true">M</v-kbd></v-btn
    >
    <p v-if="!takesNumber" class="quiet">Visual check: no meter reading.</p>
    <p v-if="said" role="alert">{{ said }}</p>
  </details>
</template>

<style scoped>
.meter {
  margin-top: 12px;
  padding: 8px 12px;
  border: 1px dashed var(--line);
}

summary {
  min-height: 32px;
  font-weight: 600;
  cursor: pointer;
}

.fields {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr);
  gap: 8px;
  margin: 8px 0;
}
</style>
