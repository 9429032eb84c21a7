<script setup lang="ts">
import { computed } from 'vue'
import type { RailsView } from '@/api/client'
import { volts } from '@/ui/quantities'

type Charge = NonNullable<RailsView['charge']>

/** The charge of the pack as a slider, with what a resting pack of those volts says. */
const props = defineProps<{ charge: Charge; cell: number }>()
defineEmits<{ charged: [cell: number] }>()

const range = computed(() => props.charge.full - props.charge.empty)
const at = (v: number) => `${(100 * (v - props.charge.empty)) / range.value}%`
const left = computed(
  () =>
    props.charge.says.percent +
    (props.charge.says.stage === 'full' ? ' % charged' : ' % remaining'),
)
</script>

<template>
  <div class="charge">
    <label>
      <span class="figures"
        >{{ volts(cell) }} per cell, {{ volts(cell * charge.cells) }} total</span
      >
      <span class="track">
        <i class="land" :style="{ left: at(charge.land) }" title="land before this"></i>
        <input
          type="range"
          data-field="charge"
          :min="charge.empty"
          :max="charge.full"
          step="0.01"
          :value="cell"
          aria-label="Cell voltage"
          @input="$emit('charged', Number(($event.target as HTMLInputElement).value))"
        />
      </span>
    </label>
    <p class="says" :class="charge.says.stage" data-testid="pack-says">
      At rest: about {{ left }}. {{ charge.says.words }}
    </p>
  </div>
</template>

<style scoped>
.charge {
  flex: 1 1 420px;
  font-variant-numeric: tabular-nums;
}

label {
  display: flex;
  gap: 12px;
  align-items: center;
}

.figures {
  flex: none;
  min-width: 210px;
}

.track {
  position: relative;
  display: block;
  flex: 1;
  min-width: 120px;
}

.land {
  position: absolute;
  top: 4px;
  bottom: 4px;
  width: 0;
  border-left: 2px solid var(--ink-2);
}

input {
  position: relative;
  width: 100%;
  height: 32px;
  accent-color: var(--chosen);
}

.says {
  color: var(--ink-2);
  font-size: 0.9375rem;
}

.says.empty,
.says.deep,
.says.damaged,
.says.overcharged {
  color: var(--stop);
  font-weight: 600;
}

@media print {
  .track {
    display: none;
  }
}
</style>
