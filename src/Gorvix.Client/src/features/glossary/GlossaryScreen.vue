<script setup lang="ts">
import { useTitle } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import LineField from '@/ui/LineField.vue'
import PulseGlyph from '@/ui/PulseGlyph.vue'
import { terms } from './terms'

/** The terms of the trade, with the pulse train where a term is about polarity. */
const props = defineProps<{ term: string | null }>()
const search = ref('')
const shown = computed(() => {
  const words = search.value.toLowerCase().split(' ').filter(Boolean)
  return [...terms]
    .sort((a, b) => a.term.localeCompare(b.term))
    .filter((t) =>
      words.every((w) => `${t.term} ${t.also ?? ''} ${t.means}`.toLowerCase().includes(w)),
    )
})
// The term that was asked for comes into sight.
watch(
  () => props.term,
  async (term) => {
    await nextTick()
    if (term) document.getElementById(term)?.scrollIntoView({ block: 'center' })
  },
  { immediate: true, flush: 'post' },
)
useTitle('Glossary – Gorvix')
</script>

<template>
  <main class="glossary">
    <h1>Glossary</h1>
    <LineField v-slot="{ id }" label="Search" class="field no-print">
      <v-text-field :id="id" v-model="search" data-field="search" placeholder="inverted, pad …" />
    </LineField>
    <dl>
      <div
        v-for="t in shown"
        :id="t.id"
        :key="t.id"
        :class="{ chosen: t.id === term }"
        :data-term="t.id"
      >
        <dt>
          {{ t.term }}
          <PulseGlyph v-if="t.pulse" :polarity="t.pulse" :width="56" :height="20" />
          <span v-if="t.also" class="quiet">{{ t.also }}</span>
        </dt>
        <dd>{{ t.means }}</dd>
      </div>
    </dl>
    <p v-if="shown.length === 0" role="status">No term matches. Try a shorter word.</p>
  </main>
</template>

<style scoped>
.glossary {
  max-width: 880px;
  padding: 16px 24px 48px;
}

.field {
  max-width: 420px;
  margin: 12px 0;
}

dl > div {
  padding: 10px 12px;
  border-top: 1px solid var(--line-faint);
}

.chosen {
  border-left: 4px solid var(--chosen);
  background: var(--sheet);
}

dt {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: center;
  font-weight: 650;
}

dt .quiet {
  font-weight: 400;
}
</style>
