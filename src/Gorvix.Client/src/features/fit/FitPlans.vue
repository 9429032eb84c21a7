<script setup lang="ts">
import type { FitPlan } from '@/api/client'

/** The few best plans side by side: what differs, and why it comes after the best. */
defineProps<{ plans: FitPlan[] }>()
defineEmits<{ choose: [number: number] }>()
</script>

<template>
  <ol v-if="plans.length > 1" class="plans strip" aria-label="Best plans">
    <li v-for="plan in plans" :key="plan.number">
      <v-card
        tag="button"
        variant="outlined"
        :aria-current="plan.number === 1"
        :data-plan="plan.number"
        @click="$emit('choose', plan.number)"
      >
        <span class="number">{{ plan.number }}</span>
        <span class="words">
          <template v-if="plan.number === 1">current plan</template>
          <template v-else>
            {{ plan.differs.join(', ') }}<span class="price">{{ plan.price }}</span>
          </template>
        </span>
      </v-card>
    </li>
  </ol>
</template>

<style scoped>
.plans {
  margin: 0 -3px 8px;
}

li {
  flex: 0 1 auto;
  min-width: 112px;
  max-width: 340px;
}

.plans .v-card {
  display: flex;
  gap: 9px;
  align-items: flex-start;
  min-height: 44px;
}

.plans .v-card[aria-current='true'] {
  white-space: nowrap;
  border: 2px solid var(--chosen);
  font-weight: 600;
}

.number {
  color: var(--chosen);
  font-family: var(--mono);
  font-weight: 650;
}

.words {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 4;
}

.price {
  display: block;
  color: var(--ink-2);
  font-size: 0.875rem;
}

@media (max-width: 900px) {
  li {
    flex-shrink: 0;
    max-width: 240px;
  }
}
</style>
