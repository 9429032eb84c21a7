<script setup lang="ts">
import { computed } from 'vue'
import type { Setting } from '@/api/client'
import { dayOf } from '@/ui/dayOf'
import ListGroup from '@/ui/ListGroup.vue'
import ListRow from '@/ui/ListRow.vue'
import PulseGlyph from '@/ui/PulseGlyph.vue'
import SettingMore from './SettingMore.vue'
import { byPlace } from './useSettings'

/** Every switch in the order in which one sets it, to read off and to tick; the chosen one says why. */
const props = defineProps<{ settings: Setting[]; shown: Setting[]; chosen: string | null }>()
defineEmits<{ choose: [key: string]; tick: [key: string, done: boolean] }>()
const groups = computed(() => byPlace(props.shown))
const number = computed(() => new Map(props.settings.map((s, i) => [s.key, i + 1])))
</script>

<template>
  <ListGroup v-for="g in groups" :key="g.words" :words="g.words">
    <ListRow
      v-for="s in g.settings"
      :id="s.key"
      :key="s.key"
      :number="number.get(s.key) ?? ''"
      :words="s.words"
      :state="s.isDone ? 'proved' : 'open'"
      :end="s.isDone && s.doneOn ? dayOf(s.doneOn) : null"
      :chosen="s.key === chosen"
      :tick-label="`${s.words.replace(/\.$/, '')}: set`"
      @choose="$emit('choose', s.key)"
      @tick="(done) => $emit('tick', s.key, done)"
    >
      <template #glyph>
        <PulseGlyph v-if="s.values?.rx === 'inverted'" polarity="inverted" />
        <PulseGlyph v-if="s.values?.tx === 'inverted'" polarity="inverted" />
      </template>
      <SettingMore :setting="s" />
    </ListRow>
  </ListGroup>
</template>
