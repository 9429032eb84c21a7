<script setup lang="ts">
import { computed } from 'vue'
import type { Setting } from '@/api/client'
import PulseGlyph from '@/ui/PulseGlyph.vue'
import TickRow from '@/ui/TickRow.vue'
import { byPlace } from './useSettings'

/** Every switch in the order in which one sets it, to read off and to tick; the chosen one says why. */
const props = defineProps<{ settings: Setting[]; shown: Setting[]; chosen: string | null }>()
defineEmits<{ choose: [key: string]; tick: [key: string, done: boolean] }>()
const groups = computed(() => byPlace(props.shown))
const number = computed(() => new Map(props.settings.map((s, i) => [s.key, i + 1])))
</script>

<template>
  <section v-for="g in groups" :key="g.words" class="group">
    <h3>{{ g.words }}</h3>
    <ol>
      <TickRow
        v-for="s in g.settings"
        :key="s.key"
        :data-setting="s.key"
        :number="number.get(s.key) ?? ''"
        :words="s.words"
        :is-done="s.isDone ?? false"
        :done-on="s.doneOn ?? null"
        :chosen="s.key === chosen"
        :tick-label="`${s.words.replace(/\.$/, '')}: set`"
        @choose="$emit('choose', s.key)"
        @tick="(done) => $emit('tick', s.key, done)"
      >
        <template #glyph>
          <PulseGlyph v-if="s.values?.rx === 'inverted'" polarity="inverted" />
          <PulseGlyph v-if="s.values?.tx === 'inverted'" polarity="inverted" />
        </template>
        <p>{{ s.why }}</p>
        <p v-if="s.isPrinted && s.value" class="quiet">
          In the dump: <code class="label">{{ s.value }}</code>
        </p>
      </TickRow>
    </ol>
  </section>
</template>

<style scoped>
.group {
  margin-bottom: 12px;
}

h3 {
  padding: 2px 0;
  border-bottom: 2px solid var(--ink);
  font-weight: 650;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

code {
  overflow-wrap: anywhere;
}
</style>
