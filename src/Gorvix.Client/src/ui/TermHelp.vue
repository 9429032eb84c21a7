<script setup lang="ts">
import { computed } from 'vue'
import PulseGlyph from '@/ui/PulseGlyph.vue'
import { termOf } from '@/features/glossary/terms'

/** A "?" beside a term: what it means, at a touch. */
const props = defineProps<{ term: string }>()
const of = computed(() => termOf(props.term))
</script>

<template>
  <v-menu v-if="of" location="bottom" :close-on-content-click="false">
    <template #activator="{ props: menu }">
      <button
        type="button"
        class="ask no-print"
        v-bind="menu"
        :aria-label="`What is ${of.term}?`"
        :data-ask="term"
      >
        ?
      </button>
    </template>
    <div class="means" role="note">
      <b>{{ of.term }}</b>
      <PulseGlyph v-if="of.pulse" :polarity="of.pulse" :width="56" :height="20" />
      <p>{{ of.means }}</p>
      <RouterLink :to="{ name: 'glossary', query: { term } }">Glossary</RouterLink>
    </div>
  </v-menu>
</template>

<style scoped>
.ask {
  width: 24px;
  height: 24px;
  border: 1px solid var(--line);
  border-radius: 50%;
  background: none;
  color: var(--ink-2);
  font: inherit;
  font-size: 0.8125rem;
  font-weight: 600;
  line-height: 1;
  cursor: pointer;
}

/* As large as a thumb where there is one, without looking so. */
@media (hover: none) and (pointer: coarse) {
  .ask {
    position: relative;
  }

  .ask::before {
    position: absolute;
    inset: -11px;
    content: '';
  }
}

.means {
  max-width: 340px;
  padding: 12px 14px;
  border: 1px solid var(--ink);
  background: var(--sheet);
  font-size: 0.9375rem;
}

.means p {
  margin: 4px 0 8px;
}
</style>
