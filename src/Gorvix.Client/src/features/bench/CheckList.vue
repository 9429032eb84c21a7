<script setup lang="ts">
import { computed } from 'vue'
import ListGroup from '@/ui/ListGroup.vue'
import ListRow from '@/ui/ListRow.vue'
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
  <ListGroup
    v-for="g in groups"
    :key="g.phase"
    :data-phase="g.phase"
    :words="g.words"
    :count="`${g.proved} of ${g.rows.length} passed`"
  >
    <ListRow
      v-for="r in g.shown"
      :id="r.check.id"
      :key="r.check.id"
      :words="r.check.title"
      :state="r.state"
      :end="r.last && r.state !== 'dueAgain' ? r.last.read : r.check.expected"
      :chosen="r.check.id === chosen"
      @choose="$emit('choose', r.check.id)"
    />
  </ListGroup>
</template>
