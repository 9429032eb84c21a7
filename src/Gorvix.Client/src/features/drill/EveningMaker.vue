<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type DrillKind, type Problem, type ShelfBuild } from '@/api/client'
import { limits } from '@/api/limits'
import LineField from '@/ui/LineField.vue'
import NumberField from '@/ui/NumberField.vue'
import { kinds } from './useDrill'

/** A new evening: what it is called, what is practised, how much and how hard. */
const props = defineProps<{ build: ShelfBuild }>()
const router = useRouter()
const name = ref('')
const chosen = ref<DrillKind[]>(['fault', 'burn'])
const drills = ref('4')
const level = ref('2')
const problem = ref<Problem | null>(null)
const busy = ref(false)

async function make() {
  busy.value = true
  const { data, problem: refused } = await ask(() =>
    api.POST('/api/evenings', {
      body: {
        name: name.value,
        build: props.build.id,
        kinds: chosen.value,
        drills: Math.trunc(Number(drills.value)) || 0,
        level: Math.trunc(Number(level.value)) || 0,
        seed: null,
      },
    }),
  )
  busy.value = false
  problem.value = refused
  if (data) await router.push({ name: 'evening', params: { id: data.line.id } })
}
</script>

<template>
  <details class="maker">
    <summary>New session on {{ build.name }}</summary>
    <form @submit.prevent="make">
      <LineField v-slot="{ id }" label="Session name">
        <v-text-field
          :id="id"
          v-model="name"
          data-field="evening"
          :maxlength="limits.person"
          placeholder="Thursday build night"
        />
      </LineField>
      <fieldset>
        <legend>Drill types, in rotation</legend>
        <v-checkbox
          v-for="k in kinds"
          :key="k.kind"
          v-model="chosen"
          :value="k.kind"
          :label="k.name"
          density="compact"
          hide-details
        />
      </fieldset>
      <div class="numbers">
        <NumberField
          v-model="drills"
          label="Drills (1–12)"
          field="drills"
          placeholder="4"
          error=""
          keys="numeric"
        />
        <NumberField
          v-model="level"
          label="Level (1–5)"
          field="level"
          placeholder="2"
          error=""
          keys="numeric"
        />
      </div>
      <p v-if="problem" class="error" role="alert">{{ problem.sentence }}</p>
      <v-btn type="submit" variant="outlined" data-do="make-evening" :disabled="busy"
        >Create session</v-btn
      >
    </form>
  </details>
</template>

<style scoped>
.maker {
  margin-top: 8px;
}

summary {
  min-height: 40px;
  padding: 6px 0;
  cursor: pointer;
}

form {
  display: flex;
  flex-direction: column;
  gap: 10px;
  max-width: 460px;
}

fieldset {
  margin: 0;
  padding: 0;
  border: 0;
}

legend {
  color: var(--ink-2);
  font-size: 0.875rem;
}

.numbers {
  display: flex;
  gap: 16px;
}

.v-btn {
  align-self: flex-start;
}

.error {
  color: var(--stop);
}
</style>
