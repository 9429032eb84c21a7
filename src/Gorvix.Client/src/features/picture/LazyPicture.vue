<script setup lang="ts">
import { useIntersectionObserver } from '@vueuse/core'
import { computed, shallowRef, useTemplateRef, watch } from 'vue'
import type { SmallPicture as Small } from '@/api/client'
import SmallPicture from './SmallPicture.vue'
import { smallPicture, type Pictured } from './small'

/** A small picture that is asked for when it comes into sight. Its room is kept; where there is none to be had, it stays empty. */
const props = defineProps<{ of: Pictured; labels?: boolean }>()
const room = useTemplateRef<HTMLElement>('room')
const picture = shallowRef<Small | null>(null)
const seen = shallowRef(false)
const { stop } = useIntersectionObserver(room, ([entry]) => {
  if (!entry?.isIntersecting) return
  seen.value = true
  stop()
})
const wanted = computed(() => (seen.value ? props.of : null))
watch(
  () => [wanted.value?.kind, wanted.value?.id, wanted.value?.version],
  async () => {
    const of = wanted.value
    const made = of && (await smallPicture(of))
    if (of?.id === props.of.id) picture.value = made ?? null
  },
  { immediate: true },
)
</script>

<template>
  <div ref="room" class="room" :data-small="of.id">
    <SmallPicture v-if="picture" :picture="picture" :labels="labels" />
  </div>
</template>
