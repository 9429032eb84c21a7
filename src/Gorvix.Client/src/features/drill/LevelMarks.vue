<script setup lang="ts">
/** How hard a drill is: so many of five. */
defineProps<{ level: number }>()
</script>

<template>
  <span class="marks" role="img" :aria-label="`level ${level} of 5`">
    <i v-for="n in 5" :key="n" :class="{ on: n <= level }" />
  </span>
</template>

<style scoped>
.marks {
  display: inline-flex;
  flex: none;
  gap: 3px;
}

i {
  width: 9px;
  height: 9px;
  border: 1px solid var(--ink);
}

.on {
  background: var(--ink);
}
</style>
