<script setup lang="ts">
import { ref, shallowRef, watch } from 'vue'
import { api, ask, type Problem, type SimulatedBenchView } from '@/api/client'
import LineField from '@/ui/LineField.vue'
import ProblemNote from '@/ui/ProblemNote.vue'

/** A stand-in for meter, limiter, lights, goggles and radio: to try a proof without an aircraft, with a fault in it or without. */
const props = defineProps<{
  build: string
  /** What its button does. */
  words: string
  /** Whether there is something to read. */
  can: boolean
  /** Reads it, and gives what went wrong. */
  take: () => Promise<Problem | null>
}>()

const bench = shallowRef<SimulatedBenchView | null>(null)
const problem = ref<Problem | null>(null)
const open = ref(false)
const busy = ref(false)

async function plant(body?: { fault?: string | null; hidden?: boolean }) {
  const params = { path: { id: props.build } }
  const answer = body
    ? await ask(() =>
        api.POST('/api/builds/{id}/bench/simulated', {
          params,
          body: { fault: body.fault ?? null, hidden: body.hidden ?? false },
        }),
      )
    : await ask(() => api.GET('/api/builds/{id}/bench/simulated', { params }))
  bench.value = answer.data ?? bench.value
  problem.value = answer.problem
}
async function read() {
  if (!props.can || busy.value) return
  busy.value = true
  problem.value = await props.take()
  busy.value = false
}
watch([() => props.build, open], () => open.value && void plant(), { immediate: true })
defineExpose({ read: () => open.value && void read() })
</script>

<template>
  <details
    class="stand-in"
    :open="open"
    @toggle="open = ($event.target as HTMLDetailsElement).open"
  >
    <summary>Simulated bench</summary>
    <p class="quiet">
      No hardware? It shows what a meter would read on this build, noise included. Readings are
      logged like real ones.
    </p>
    <ProblemNote v-if="problem" title="Simulated bench not responding" :problem="problem" />
    <template v-if="bench">
      <LineField v-slot="{ id }" label="Injected fault" class="fault">
        <v-autocomplete
          :id="id"
          data-field="fault"
          :items="[
            { title: 'none (built as planned)', value: '' },
            { title: 'hidden fault', value: '?' },
            ...bench.faults.map((f) => ({ title: f.words, value: f.id })),
          ]"
          :model-value="bench.isHidden ? '?' : (bench.planted ?? '')"
          @focus="($event.target as HTMLInputElement).select()"
          @update:model-value="
            (v: string | null) => plant(v === '?' ? { hidden: true } : { fault: v || null })
          "
        />
      </LineField>
      <v-btn variant="outlined" data-do="simulate" :disabled="!can || busy" @click="read"
        >{{ words }} <v-kbd aria-hidden="true">S</v-kbd></v-btn
      >
    </template>
  </details>
</template>

<style scoped>
.stand-in {
  margin-top: 16px;
  padding: 8px 12px;
  border: 1px dashed var(--line);
}

summary {
  min-height: 32px;
  font-weight: 600;
  cursor: pointer;
}

.fault {
  margin: 10px 0;
}
</style>
