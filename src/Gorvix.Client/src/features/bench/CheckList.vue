<script setup lang="ts">
import { computed } from 'vue'
import CheckMark from './CheckMark.vue'
import { byPhase, type Row } from './useBench'

/** The checks, phase by phase in their order, each with how it stands. */
const props = defineProps<{ rows: Row[]; shown: Row[]; chosen: string | null }>()
defineEmits<{ choose: [id: string] }>()

const groups = computed(() =>
  byPhase(props.rows)
    .map((g) => ({
      ...g,
      proved: g.rows.filter((r) => r.state === 'proved').length,
      shown: g.rows.filter((r) => props.shown.includes(r)),
    }))
    .filter((g) => g.shown.length > 0),
)
</script>

<template>
  <section v-for="g in groups" :key="g.phase" class="phase" :data-phase="g.phase">
    <h3>
      {{ g.words }} <span class="quiet">{{ g.proved }} of {{ g.rows.length }} passed</span>
    </h3>
    <ul>
      <li v-for="r in g.shown" :key="r.check.id" :data-row="r.check.id">
        <button
          type="button"
          :class="{ chosen: r.check.id === chosen }"
          :aria-current="r.check.id === chosen ? 'step' : undefined"
          @click="$emit('choose', r.check.id)"
        >
          <CheckMark :state="r.state" />
          <span class="title">{{ r.check.title }}</span>
          <span class="read quiet">{{
            r.last && r.state !== 'dueAgain' ? r.last.read : r.check.expected
          }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.phase + .phase {
  margin-top: 14px;
}

h3 {
  display: flex;
  gap: 10px;
  justify-content: space-between;
  padding-bottom: 2px;
  border-bottom: 1px solid var(--line);
  font-weight: 650;
}

h3 .quiet {
  font-weight: 400;
  font-variant-numeric: tabular-nums;
}

button {
  display: flex;
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 36px;
  padding: 4px 8px;
  border: 0;
  border-bottom: 1px solid var(--line-faint);
  border-left: 4px solid transparent;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

button:hover,
.chosen {
  background: var(--sheet);
}

.chosen {
  border-left-color: var(--chosen);
  font-weight: 600;
}

.title {
  flex: 1 1 55%;
  min-width: 0;
  overflow-wrap: anywhere;
}

.read {
  flex: 0 1 40%;
  min-width: 0;
  overflow: hidden;
  font-size: 0.9375rem;
  font-weight: 400;
  text-align: right;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
