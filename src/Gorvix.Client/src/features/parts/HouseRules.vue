<script setup lang="ts">
import { ref } from 'vue'
import type { HouseRules, Setup, SetupChoices } from '@/api/client'

/** Where builders disagree: the builder's choice with its reason, and the reasons of the others when asked for. */
const props = defineProps<{ setup: Setup; choices: SetupChoices | null }>()
const emit = defineEmits<{ change: [setup: Setup] }>()

const every = ref(false)

function choose(rule: string, school: string | null) {
  emit('change', { ...props.setup, house: { ...props.setup.house, [rule]: school } as HouseRules })
}

function chosen(rule: string) {
  return props.setup.house?.[rule as keyof HouseRules]
}
</script>

<template>
  <section id="house" class="house">
    <header>
      <h2>House rules</h2>
      <p class="quiet">Builders disagree on these.</p>
      <v-btn
        variant="text"
        size="small"
        data-testid="reasons"
        :aria-pressed="every"
        @click="every = !every"
        >Compare reasons</v-btn
      >
    </header>
    <div class="disputes">
      <v-radio-group
        v-for="dispute in choices?.disputes"
        :key="dispute.id"
        :data-rule="dispute.id"
        :label="dispute.title"
        :model-value="chosen(dispute.id)"
        @update:model-value="choose(dispute.id, $event)"
      >
        <v-radio v-for="school in dispute.schools" :key="school.value" :value="school.value">
          <template #label>
            <span :class="{ chosen: chosen(dispute.id) === school.value }"
              ><span class="name">{{ school.name }}</span>
              <span v-if="every || chosen(dispute.id) === school.value" class="reason">{{
                school.reason
              }}</span></span
            >
          </template>
        </v-radio>
      </v-radio-group>
    </div>
  </section>
</template>

<style scoped>
.house {
  margin-top: 24px;
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
}

.disputes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 360px), 1fr));
  gap: 16px 20px;
  align-items: start;
  margin-top: 8px;
}

.name {
  display: block;
  font-weight: 600;
}

.chosen .name {
  color: var(--chosen);
}

.reason {
  display: block;
  color: var(--ink-2);
  font-size: 0.875rem;
  line-height: 1.25;
}
</style>
