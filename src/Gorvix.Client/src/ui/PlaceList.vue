<script setup lang="ts">
import { computed } from 'vue'

/** Where each link sits, in a few columns; one without a place stands out. Of very many the first are shown, and how many there are beside them. */
const props = defineProps<{
  places: { need: string; port?: string | null; lack?: string | null }[]
}>()

const most = 16
const shown = computed(() =>
  props.places.length > most ? props.places.slice(0, most - 1) : props.places,
)
const others = computed(() => props.places.length - shown.value.length)
</script>

<template>
  <dl class="places">
    <div v-for="(place, i) in shown" :key="i" :class="{ none: !place.port }">
      <dt>{{ place.need }}</dt>
      <dd class="label">{{ place.port ?? place.lack }}</dd>
    </div>
    <div v-if="others > 0" class="others">
      <dt>and</dt>
      <dd>{{ others }} more</dd>
    </div>
  </dl>
</template>

<style scoped>
.others dd {
  color: inherit;
}

.places {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  font-size: 0.9375rem;
  line-height: 1.25;
}

dt {
  color: var(--ink-2);
}

dd {
  color: var(--chosen);
  font-weight: 600;
}

.none dd {
  color: var(--stop);
}
</style>
