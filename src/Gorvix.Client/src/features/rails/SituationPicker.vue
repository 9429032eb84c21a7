<script setup lang="ts">
import { computed } from 'vue'
import type { RailsView } from '@/api/client'

type Line = RailsView['situations'][number]

/** What feeds the build; and what if a selector stood otherwise, or a device were unplugged. What is bad there is marked. */
const props = defineProps<{ lines: Line[]; now: string }>()
defineEmits<{ choose: [id: string] }>()

const feeding = computed(() =>
  props.lines.filter((l) => l.group !== 'selector' && l.group !== 'unplugged'),
)
const others = computed(() =>
  props.lines.filter((l) => l.group === 'selector' || l.group === 'unplugged'),
)
const isOther = computed(() => others.value.some((l) => l.id === props.now))
const mark = (l: Line) => (l.worst === 'stop' ? '■' : l.worst === 'warn' ? '◧' : '')
const marked = (l: Line) => `${l.name}${mark(l) ? ` ${mark(l)}` : ''}`
</script>

<template>
  <div class="picker">
    <v-btn-toggle
      :mandatory="!isOther"
      class="situations"
      aria-label="Power source"
      :model-value="isOther ? undefined : now"
      @update:model-value="$event && $emit('choose', $event)"
    >
      <v-btn
        v-for="l in feeding"
        :key="l.id"
        :value="l.id"
        size="small"
        :data-situation="l.id"
        :aria-label="
          l.worst === 'stop'
            ? `${l.name}: problem`
            : l.worst === 'warn'
              ? `${l.name}: warning`
              : l.name
        "
        >{{ l.name
        }}<span v-if="mark(l)" class="mark" :class="l.worst" aria-hidden="true">{{
          mark(l)
        }}</span></v-btn
      >
    </v-btn-toggle>
    <v-select
      v-if="others.length > 0"
      class="others"
      :class="{ chosen: isOther }"
      data-field="what-if"
      aria-label="What if"
      placeholder="what if…"
      persistent-placeholder
      :items="others.map((l) => ({ value: l.id, title: marked(l) }))"
      :model-value="isOther ? now : null"
      @update:model-value="$event && $emit('choose', $event)"
    />
  </div>
</template>

<style scoped>
.picker {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}

.situations {
  flex-wrap: wrap;
  height: auto !important;
}

.mark {
  margin-left: 6px;
  color: var(--warn);
}

.mark.stop {
  color: var(--stop);
}

.v-btn--active .mark {
  color: inherit;
}

.others {
  flex: 0 1 270px;
  min-width: 220px;
}

@media print {
  .picker > * {
    display: none;
  }
}
</style>
