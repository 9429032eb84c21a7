<script setup lang="ts">
import { computed } from 'vue'
import type { DrillResult, DrillView } from '@/api/client'
import { minutesOf } from '@/ui/minutes'
import { isGuest } from './guest'

/** What a drill came to: beside the best tester, and beside one's last. */
const props = defineProps<{ view: DrillView; result: DrillResult }>()
defineEmits<{ again: []; same: [] }>()
const before = computed(() => props.view.before)
const longest = computed(() =>
  Math.max(props.result.minutes ?? 0, props.result.best ?? 0, before.value?.minutes ?? 0, 1),
)
const bars = computed(() =>
  props.result.minutes == null || props.result.best == null
    ? []
    : [
        { name: 'You', minutes: props.result.minutes },
        { name: 'Optimal search', minutes: props.result.best },
        ...(before.value?.minutes == null
          ? []
          : [{ name: 'Your last, same level', minutes: before.value.minutes }]),
      ],
)
</script>

<template>
  <section class="end" aria-label="Result" data-testid="end" :data-score="result.score">
    <p class="score" role="status">
      <b>{{ result.score }}</b> of 100{{ result.givenUp ? ', gave up' : '' }}
      <span v-if="before" class="quiet">{{
        bars.length > 0 ? '' : `Last at this level: ${before.score}.`
      }}</span>
    </p>
    <dl v-if="bars.length > 0" class="bars">
      <template v-for="b in bars" :key="b.name">
        <dt>{{ b.name }}</dt>
        <dd>
          <span
            class="bar"
            :style="{ width: `${(70 * b.minutes) / longest}%` }"
            aria-hidden="true"
          />
          {{ minutesOf(b.minutes) }}
        </dd>
      </template>
    </dl>
    <p class="deeds no-print">
      <v-btn
        v-if="!view.evening"
        color="primary"
        variant="flat"
        data-do="again"
        @click="$emit('again')"
        >New drill<v-kbd aria-hidden="true">A</v-kbd></v-btn
      >
      <v-btn v-if="view.build && !view.evening" variant="outlined" @click="$emit('same')"
        >Repeat drill</v-btn
      >
      <a v-if="!isGuest" :href="`/api/drills/${view.id}/file`" download>Export drill</a>
    </p>
  </section>
</template>

<style scoped>
.end {
  display: grid;
  grid-template-columns: auto minmax(240px, 1fr) auto;
  gap: 8px 32px;
  align-items: center;
  margin: 8px 0 16px;
  padding: 12px 16px;
  border: 1px solid var(--ink);
  background: var(--sheet);
}

.score b {
  font-size: 2.25rem;
  font-weight: 700;
  line-height: 1;
}

.bars {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 2px 12px;
}

dd {
  display: flex;
  gap: 8px;
  align-items: center;
}

.bar {
  height: 10px;
  background: var(--ink);
}

dd:first-of-type .bar {
  background: var(--chosen);
}

.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}

@media (max-width: 900px) {
  .end {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
