<script setup lang="ts">
/** Facts of a part, name and words; what is unknown is quiet. */
defineProps<{ facts: { name: string; words: string }[] }>()
</script>

<template>
  <dl>
    <div v-for="(fact, i) in facts" :key="i">
      <dt>{{ fact.name }}</dt>
      <dd :class="{ quiet: fact.words === 'unknown' }">{{ fact.words }}</dd>
    </div>
  </dl>
</template>

<style scoped>
div {
  display: grid;
  grid-template-columns: 124px 1fr;
  gap: 8px;
  padding: 2px 0;
}

dt {
  color: var(--ink-2);
}
</style>
