<script setup lang="ts">
/** A sign of the shipped set before the words of a button: for who looks for it there; it never stands alone. */
defineProps<{ path: string }>()
</script>

<template>
  <svg class="sign" viewBox="0 0 24 24" aria-hidden="true"><path :d="path" /></svg>
</template>

<style scoped>
.sign {
  width: 18px;
  height: 18px;
  flex: none;
  margin-right: 6px;
  fill: currentcolor;
}
</style>
