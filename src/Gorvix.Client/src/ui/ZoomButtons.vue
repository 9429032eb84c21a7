<script setup lang="ts">
/** Smaller and larger, step by step. */
const props = defineProps<{ steps: number[] }>()
const zoom = defineModel<number>({ required: true })

function scale(by: 1 | -1) {
  zoom.value = props.steps[props.steps.indexOf(zoom.value) + by] ?? zoom.value
}
</script>

<template>
  <v-btn
    size="small"
    data-zoom="less"
    aria-label="Zoom out"
    :disabled="zoom === steps[0]"
    @click="scale(-1)"
    >−</v-btn
  >
  <v-btn
    size="small"
    data-zoom="more"
    aria-label="Zoom in"
    :disabled="zoom === steps.at(-1)"
    @click="scale(1)"
    >+</v-btn
  >
</template>
