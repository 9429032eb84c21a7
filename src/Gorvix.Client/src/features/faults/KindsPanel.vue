<script setup lang="ts">
import { ref, shallowRef, watch } from 'vue'
import { api, ask, type FaultKindView, type Problem } from '@/api/client'
import ProblemNote from '@/ui/ProblemNote.vue'

/** How usual each kind of fault is taken to be: as is common, by what was found here, and by what the builder thinks. */
const emit = defineEmits<{ changed: [] }>()

const open = ref(false)
const kinds = shallowRef<FaultKindView[]>([])
const problem = ref<Problem | null>(null)
const factors = [
  { title: 'almost never', value: 0.1 },
  { title: 'less often', value: 0.3 },
  { title: 'typical', value: 1 },
  { title: 'more often', value: 3 },
  { title: 'much more often', value: 10 },
]

async function take(request: () => ReturnType<typeof ask<FaultKindView[]>>, changes = true) {
  const { data, problem: refused } = await request()
  kinds.value = data ?? kinds.value
  problem.value = refused
  if (data && changes) emit('changed')
}
const weigh = (kind: FaultKindView['kind'], factor: number) =>
  take(() => ask(() => api.PUT('/api/fault-kinds', { body: { kind, factor } })))
const forget = () => take(() => ask(() => api.DELETE('/api/fault-kinds/found')))
watch(open, () => open.value && void take(() => ask(() => api.GET('/api/fault-kinds')), false))
</script>

<template>
  <details
    class="kinds no-print"
    :open="open"
    @toggle="open = ($event.target as HTMLDetailsElement).open"
  >
    <summary>How common each fault is</summary>
    <ProblemNote v-if="problem" title="Not saved" :problem="problem" />
    <p class="quiet">
      Typical rates, weighted by faults found here. Adjust them to your experience.
    </p>
    <table>
      <thead>
        <tr>
          <th scope="col">Fault</th>
          <th scope="col" class="number">Found here</th>
          <th scope="col">How common</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="k in kinds" :key="k.kind" :data-fault-kind="k.kind">
          <th scope="row">{{ k.words }}</th>
          <td class="number">{{ k.found }}</td>
          <td>
            <v-select
              :items="factors"
              :model-value="k.factor"
              :aria-label="`How common: ${k.words}`"
              @update:model-value="(f: number) => weigh(k.kind, f)"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <v-btn
      variant="text"
      data-do="forget"
      :disabled="kinds.every((k) => k.found === 0)"
      @click="forget"
      >Clear fault counts</v-btn
    >
  </details>
</template>

<style scoped>
.kinds {
  margin-top: 12px;
  padding: 8px 12px;
  border: 1px solid var(--line);
}

summary {
  min-height: 32px;
  font-weight: 600;
  cursor: pointer;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  padding: 3px 8px 3px 0;
  border-top: 1px solid var(--line-faint);
  font-weight: 400;
  text-align: left;
}

.number {
  text-align: right;
}

td:last-child {
  width: 42%;
}
</style>
