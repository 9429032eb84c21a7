<script setup lang="ts">
import type { PictureText } from '@/api/client'

/** A line of text of the picture, where it was put; nothing where there was no room. */
defineProps<{ of: PictureText | null | undefined }>()
</script>

<template>
  <text v-if="of" :x="of.x" :y="of.y" :font-size="of.size" :text-anchor="of.anchor ?? 'start'">
    {{ of.text }}
  </text>
</template>
