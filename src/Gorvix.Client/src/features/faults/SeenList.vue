<script setup lang="ts">
import { computed } from 'vue'
import type { SeenLine } from '@/api/client'

/** What was seen so far, what is not as it should be first; what the builder said can be taken back, each by itself. */
const props = defineProps<{ seen: SeenLine[]; doubted: number[] }>()
defineEmits<{ unsay: [test: string] }>()

const lines = computed(() =>
  props.seen.map((s, i) => ({ ...s, doubted: props.doubted.includes(i) })),
)
const groups = computed(() => {
  const told = lines.value.filter((s) => !s.isSound || s.doubted)
  const well = lines.value.filter((s) => s.isSound && !s.doubted)
  return { told, well }
})
</script>

<template>
  <ul v-if="groups.told.length > 0" class="seen" aria-label="Abnormal">
    <li v-for="(s, i) in groups.told" :key="`${s.test} ${i}`" class="off">
      <span class="what"
        ><b>{{ s.title }}</b> {{ s.words }}<span v-if="s.doubted" class="doubt"> – check again</span
        ><span v-if="s.on" class="quiet"> (Bench)</span></span
      >
      <v-btn
        v-if="!s.on"
        size="small"
        variant="text"
        :data-unsay="s.test"
        :aria-label="`Remove: ${s.title}`"
        @click="$emit('unsay', s.test)"
        >Remove</v-btn
      >
    </li>
  </ul>
  <details v-if="groups.well.length > 0" :open="groups.well.length < 4">
    <summary>{{ groups.well.length }} normal</summary>
    <ul class="seen" aria-label="Normal">
      <li v-for="(s, i) in groups.well" :key="`${s.test} ${i}`">
        <span class="what"
          ><b>{{ s.title }}</b> {{ s.words }}<span v-if="s.on" class="quiet"> (Bench)</span></span
        >
        <v-btn
          v-if="!s.on"
          size="small"
          variant="text"
          :data-unsay="s.test"
          :aria-label="`Remove: ${s.title}`"
          @click="$emit('unsay', s.test)"
          >Remove</v-btn
        >
      </li>
    </ul>
  </details>
</template>

<style scoped>
.seen {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  gap: 8px;
  align-items: center;
  justify-content: space-between;
  min-height: 36px;
  padding-left: 8px;
  border-left: 4px solid var(--line-faint);
  font-size: 0.9375rem;
}

li.off {
  border-left-color: var(--warn);
}

summary {
  min-height: 32px;
  cursor: pointer;
}

.doubt {
  font-weight: 650;
}
</style>
