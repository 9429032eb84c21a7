<script setup lang="ts">
import type { Setting } from '@/api/client'

/** Why a setting is as it is, and what the board prints of it. */
defineProps<{ setting: Setting }>()
</script>

<template>
  <p>{{ setting.why }}</p>
  <p v-if="setting.isPrinted && setting.value" class="quiet">
    In the dump: <code class="label">{{ setting.value }}</code>
  </p>
</template>

<style scoped>
code {
  overflow-wrap: anywhere;
}
</style>
