<script setup lang="ts">
/** Lines of a list that belong together, under their heading. */
defineProps<{
  words: string
  /** How far it is with them; none where that is not counted. */
  count?: string
}>()
</script>

<template>
  <section class="group">
    <h3>
      {{ words }} <span v-if="count" class="quiet">{{ count }}</span>
    </h3>
    <ol class="worked">
      <slot />
    </ol>
  </section>
</template>

<style scoped>
.group {
  margin-bottom: 12px;
}

h3 {
  display: flex;
  gap: 10px;
  justify-content: space-between;
  padding: 2px 0;
  border-bottom: 2px solid var(--ink);
  font-weight: 650;
}

h3 .quiet {
  font-size: 1rem;
  font-weight: 400;
  font-variant-numeric: tabular-nums;
}
</style>
