<script setup lang="ts">
import { computed } from 'vue'
import type { FitConflict, FitLink, LinkUnlocks } from '@/api/client'

/** Each link that is left out: why, and what would carry it, cheapest first. A card makes the change. */
const props = defineProps<{
  conflicts: FitConflict[]
  links: FitLink[]
  unlocks: LinkUnlocks[] | null
}>()
defineEmits<{ unlock: [id: string] }>()

/** More are told in one line: then it is another board that is wanted. */
const most = 6
const rows = computed(() =>
  props.conflicts.slice(0, most).map((conflict) => ({
    ...conflict,
    name: props.links.find((l) => l.id === conflict.link)?.need ?? conflict.link,
    ways: props.unlocks?.find((u) => u.link === conflict.link)?.ways,
  })),
)
</script>

<template>
  <section class="unmet" aria-label="Links without a port">
    <div v-for="row in rows" :key="row.link" :data-unmet="row.link">
      <p data-testid="conflict">{{ row.sentence }}</p>
      <p v-if="!row.ways" class="quiet wait" role="status">Looking for what would carry it …</p>
      <p v-else-if="row.ways.length === 0" class="quiet wait">
        No change of wishes, house rules, firmware, a part or the board would carry it.
      </p>
      <ul v-else class="ways" :aria-label="`What would carry ${row.name}`">
        <li v-for="way in row.ways" :key="way.id">
          <button
            type="button"
            :data-unlock="way.kind"
            :title="`${way.words}: ${way.then}, ${way.price}`"
            @click="$emit('unlock', way.id)"
          >
            <span class="words">{{ way.words }}</span>
            <span class="price">{{ way.then }} · {{ way.price }}</span>
          </button>
        </li>
      </ul>
    </div>
    <p v-if="conflicts.length > most">
      {{ conflicts.length - most }} more links have no port. “Before you buy” ranks the boards that
      carry more.
    </p>
  </section>
</template>

<style scoped>
.unmet {
  margin-bottom: 8px;
}

.unmet > div {
  margin-bottom: 2px;
}

.wait {
  min-height: 32px;
  font-size: 0.9375rem;
}

.ways {
  display: flex;
  gap: 8px;
  margin: 4px -3px 0;
  padding: 3px;
  overflow-x: auto;
}

.ways li {
  flex: 0 0 auto;
  max-width: 360px;
}

button {
  display: flex;
  flex-direction: column;
  width: 100%;
  height: 100%;
  padding: 3px 10px 4px;
  border: 1px dashed var(--ink-2);
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: 0.9375rem;
  line-height: 1.25;
  text-align: left;
  cursor: pointer;
}

button:hover {
  border-color: var(--chosen);
  border-style: solid;
}

.words {
  color: var(--chosen);
  font-weight: 600;
}

.words,
.price {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}

.price {
  color: var(--ink-2);
  font-size: 0.875rem;
}

@media print {
  .ways {
    flex-wrap: wrap;
  }
}
</style>
