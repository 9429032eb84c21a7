<script setup lang="ts">
/** Where each link sits, in a few columns; one without a place stands out. */
defineProps<{ places: { need: string; port?: string | null }[] }>()
</script>

<template>
  <dl class="places">
    <div v-for="(place, i) in places" :key="i" :class="{ none: !place.port }">
      <dt>{{ place.need }}</dt>
      <dd class="label">{{ place.port ?? 'none' }}</dd>
    </div>
  </dl>
</template>

<style scoped>
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
