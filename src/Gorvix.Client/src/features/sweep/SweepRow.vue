<script setup lang="ts">
import type { SweepLine } from '@/api/client'
import VerdictMark from '@/ui/VerdictMark.vue'

/** One candidate: its verdict, its price, and where each link would go. */
defineProps<{ line: SweepLine; number: number; verb: string }>()
defineEmits<{ take: [] }>()
</script>

<template>
  <li class="row" :data-part="line.part">
    <span class="number label">{{ number }}</span>
    <div class="what">
      <h2>{{ line.name }}</h2>
      <p class="verdict">
        <VerdictMark :severity="line.severity" />
        <span>{{ line.verdict }}</span>
      </p>
    </div>
    <dl v-if="line.places.length > 0" class="places">
      <div v-for="(place, i) in line.places" :key="i" :class="{ none: !place.port }">
        <dt>{{ place.need }}</dt>
        <dd :class="{ label: place.port }">{{ place.port ?? place.lack }}</dd>
      </div>
    </dl>
    <span class="price quiet">
      {{ line.price }}
      <span v-if="line.room" class="room" :title="line.room.words" data-testid="room">
        <template v-if="line.openPorts.length > 0"
          >free: <span class="label">{{ line.openPorts.join(' ') }}</span></template
        >
        <template v-else>no free port</template>
      </span>
    </span>
    <span class="take">
      <span v-if="line.now" class="quiet">current</span>
      <v-btn
        v-else-if="line.places.length > 0"
        variant="outlined"
        size="small"
        @click="$emit('take')"
      >
        {{ verb }}<span class="visually-hidden">: {{ line.name }}</span>
      </v-btn>
    </span>
  </li>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 24px minmax(220px, 1.1fr) minmax(260px, 1.4fr) minmax(120px, 0.5fr) 92px;
  gap: 4px 16px;
  align-items: center;
  padding: 10px 16px;
}

.row + .row {
  border-top: 1px solid var(--line-faint);
}

.number {
  color: var(--ink-2);
}

h2 {
  font-size: 1.0625rem;
  font-weight: 600;
  line-height: 1.2;
}

.verdict {
  display: flex;
  gap: 8px;
  margin-top: 2px;
  font-size: 0.9375rem;
  line-height: 1.3;
}

.verdict svg {
  margin-top: 1px;
}

.places {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  font-size: 0.875rem;
}

.places div {
  display: flex;
  gap: 5px;
}

.places dt {
  color: var(--ink-2);
}

.places .none dd,
.places .none dt {
  color: var(--stop);
}

.price {
  font-size: 0.875rem;
  line-height: 1.3;
}

.room {
  display: block;
  color: var(--ink);
}

.take {
  text-align: right;
}

@media (max-width: 900px) {
  .row {
    grid-template-columns: 24px 1fr 92px;
  }

  .places,
  .price {
    grid-column: 2 / 3;
  }

  .take {
    grid-row: 1;
    grid-column: 3;
  }
}
</style>
