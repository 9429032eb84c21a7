<script setup lang="ts">
/** A rule's code; it opens the rule's page. */
defineProps<{ code: string }>()
</script>

<template>
  <RouterLink
    class="code label"
    :to="{ name: 'rules', params: { rule: code } }"
    :title="`Open rule ${code}`"
    >{{ code }}</RouterLink
  >
</template>

<style scoped>
.code {
  color: inherit;
  font-weight: 600;
  text-decoration: underline;
  text-underline-offset: 3px;
}
</style>
