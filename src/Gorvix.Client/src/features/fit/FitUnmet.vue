<script setup lang="ts">
import { computed } from 'vue'
import type { FitConflict, FitLink, LinkUnlocks } from '@/api/client'

/** Each link that is left out: why, and what would carry it, cheapest first. A card makes the change. */
const props = defineProps<{
  conflicts: FitConflict[]
  links: FitLink[]
  unlocks: LinkUnlocks[] | null
  /** Id of the build. */
  build: string
}>()
defineEmits<{ unlock: [id: string] }>()

const rows = computed(() =>
  props.conflicts.map((conflict) => ({
    ...conflict,
    name: props.links.find((l) => l.id === conflict.link)?.need ?? conflict.link,
    ways: props.unlocks?.find((u) => u.link === conflict.link)?.ways,
    open: props.unlocks?.find((u) => u.link === conflict.link)?.open ?? 0,
  })),
)
/** Only some are explained; where there are more, it is another board that is wanted. */
const more = computed(() => props.links.filter((l) => !l.port).length - props.conflicts.length)
</script>

<template>
  <section class="unmet" aria-label="Links not connected">
    <div v-for="row in rows" :key="row.link" :data-unmet="row.link">
      <p data-testid="conflict">{{ row.sentence }}</p>
      <div>
        <p v-if="!row.ways" class="quiet wait">Searching for a fix…</p>
        <p v-else-if="row.ways.length === 0 && row.open === 0" class="none" data-none>
          <span class="quiet"
            >No single change fixes this without losing an equally important link.</span
          >
          <v-btn
            class="no-print"
            size="small"
            variant="outlined"
            :to="{ name: 'sweep', params: { id: build } }"
            >Compare boards</v-btn
          >
        </p>
        <ul
          v-else-if="row.ways.length > 0"
          class="ways strip"
          :aria-label="`Ways to connect ${row.name}`"
        >
          <li v-for="way in row.ways" :key="way.id">
            <v-card
              tag="button"
              variant="outlined"
              :data-unlock="way.kind"
              @click="$emit('unlock', way.id)"
            >
              <span class="words">{{ way.words }}</span>
              <span class="price">{{ way.then }} · {{ way.price }}</span>
            </v-card>
          </li>
        </ul>
        <p v-if="row.open > 0" class="quiet wait" data-open>
          {{ row.open === 1 ? '1 option' : `${row.open} options` }} not fully checked: too many
          combinations.
        </p>
      </div>
    </div>
    <p v-if="more > 0">
      {{ more }} more links are not connected. “Before you buy” ranks boards that fit more.
    </p>
  </section>
</template>

<style scoped>
.unmet {
  margin-bottom: 8px;
}

/* What is wrong at the left, what would mend it at the right of it. */
.unmet > div {
  display: grid;
  grid-template-columns: minmax(0, 4fr) minmax(0, 8fr);
  gap: 4px 20px;
  align-items: start;
  padding: 4px 0;
}

.unmet > div + div {
  border-top: 1px solid var(--line-faint);
}

.none {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
}

@media (max-width: 1000px) {
  .unmet > div {
    grid-template-columns: minmax(0, 1fr);
  }
}

.wait {
  min-height: 32px;
  font-size: 0.9375rem;
}

/* All of them in sight: none beyond the edge. */
.ways {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(230px, 100%), 1fr));
  margin: 4px -3px 0;
  overflow: visible;
}

.ways button {
  display: flex;
  flex-direction: column;
  border: 1px dashed var(--ink-2);
  background: none;
}

.ways button:hover {
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
</style>
