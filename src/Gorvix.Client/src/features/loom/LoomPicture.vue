<script setup lang="ts">
import type { PictureWire, WiringPicture as Picture } from '@/api/client'
import KeyButton from '@/ui/KeyButton.vue'
import WiringPicture from '@/features/picture/WiringPicture.vue'
import type { PictureSpot } from '@/features/picture/drawing'
import type { Step } from './useLoom'

/** The step that is next over the picture in which its wires are lit. */
defineProps<{
  picture: Picture
  name: string
  step: Step | undefined
  number: number
  of: number
  lit: string[]
}>()
defineEmits<{
  walk: [by: number]
  done: []
  wire: [wire: PictureWire]
  pad: [id: string]
  move: [device: string, spot: PictureSpot | null]
}>()
</script>

<template>
  <section v-if="step" class="now" data-testid="now" aria-live="polite">
    <span class="number">{{ number }}</span>
    <p class="said">
      {{ step.words }}
      <span v-if="step.waits" class="waits">Re-pin first: {{ step.waits }}</span>
    </p>
    <span class="go no-print">
      <v-btn
        variant="outlined"
        aria-label="Previous step"
        data-do="before"
        @click="$emit('walk', -1)"
        >↑</v-btn
      >
      <v-btn variant="outlined" aria-label="Next step" data-do="after" @click="$emit('walk', 1)"
        >↓</v-btn
      >
      <KeyButton
        letter="D"
        data-do="done"
        variant="flat"
        color="primary"
        :disabled="step.waits != null"
        @click="$emit('done')"
        >{{ step.isDone ? 'Undo step' : 'Done, next' }}</KeyButton
      >
    </span>
  </section>
  <WiringPicture
    :picture="picture"
    :name="name"
    :lit="lit"
    :pads="step?.pads"
    :jumper="step?.bridge"
    is-work
    movable
    @wire="(wire) => $emit('wire', wire)"
    @pad="(id) => $emit('pad', id)"
    @move="(device, spot) => $emit('move', device, spot)"
  />
</template>

<style scoped>
.now {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  margin-bottom: 8px;
  padding: 8px 12px;
  border-left: 4px solid var(--chosen);
  background: var(--sheet);
}

.number {
  font-size: 1.25rem;
  font-weight: 650;
}

.now .said {
  flex: 1 1 320px;
  min-width: 0;
  font-size: 1.0625rem;
}

.waits {
  display: block;
  color: var(--warn);
}

.go {
  display: flex;
  gap: 8px;
}
</style>
