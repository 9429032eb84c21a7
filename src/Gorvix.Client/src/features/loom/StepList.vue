<script setup lang="ts">
import { computed } from 'vue'
import type { FacePad } from '@/api/client'
import { dayOf } from '@/ui/dayOf'
import ListGroup from '@/ui/ListGroup.vue'
import ListRow from '@/ui/ListRow.vue'
import OtherPad from './OtherPad.vue'
import { bySide, type Step } from './useLoom'

/**
 * The work in its order, grouped by how the board lies. Each step has its box to tick; the chosen one tells how, what to look at
 * afterwards, and takes another pad where one was used.
 */
const props = defineProps<{
  steps: Step[]
  shown: Step[]
  chosen: string | null
  pads: FacePad[]
}>()
defineEmits<{
  choose: [id: string]
  tick: [id: string, done: boolean, pad: string | null]
}>()
const groups = computed(() => bySide(props.shown))
const number = computed(() => new Map(props.steps.map((s, i) => [s.id, i + 1])))
</script>

<template>
  <ListGroup v-for="(g, i) in groups" :key="i" :words="g.words">
    <ListRow
      v-for="s in g.steps"
      :id="s.id"
      :key="s.id"
      :number="number.get(s.id) ?? ''"
      :words="s.words"
      :state="s.isDone ? 'proved' : 'open'"
      :end="s.isDone && s.doneOn ? dayOf(s.doneOn) : null"
      :chosen="s.id === chosen"
      :waits="s.waits != null"
      :tick-label="`Step ${number.get(s.id)} done`"
      @choose="$emit('choose', s.id)"
      @tick="(done) => $emit('tick', s.id, done, null)"
    >
      <p v-if="s.waits" class="waits">Re-pin first: {{ s.waits }}</p>
      <p v-if="s.iron">{{ s.iron }}</p>
      <p v-if="s.look" class="quiet">{{ s.look }}</p>
      <OtherPad
        v-if="s.topic === 'joint' || s.topic === 'splice'"
        class="no-print"
        :pads="pads"
        :planned="s.pads"
        @used="(pad: string) => $emit('tick', s.id, true, pad)"
      />
    </ListRow>
  </ListGroup>
</template>
