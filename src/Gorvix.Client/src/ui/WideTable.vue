<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import type { VTable } from 'vuetify/components'

/** A table that scrolls sideways where the screen is too narrow for it: then the arrow keys reach the rest of it too. */
const table = useTemplateRef<InstanceType<typeof VTable>>('table')
const pane = computed(() =>
  (table.value?.$el as HTMLElement | undefined)?.querySelector<HTMLElement>('.v-table__wrapper'),
)
useResizeObserver(pane, () => {
  if (!pane.value) return
  if (pane.value.scrollWidth > pane.value.clientWidth) pane.value.tabIndex = 0
  else pane.value.removeAttribute('tabindex')
})
</script>

<template>
  <v-table ref="table" density="compact"><slot /></v-table>
</template>
