<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import type { PartLine, Unfit } from '@/api/client'
import LineField from '@/ui/LineField.vue'

/** A part searched by any of its words; what would burn or does not fit says so before it is taken. */
const props = defineProps<{
  label: string
  field: string
  placeholder: string
  lines: PartLine[]
  unfit: Unfit[]
  /** What is chosen; without it the field is ready for the next one after each. */
  value?: string | null
}>()
const emit = defineEmits<{ take: [id: string] }>()

const picked = ref<string | null>(null)
const search = ref('')
const weight = { stop: 2, warn: 1, note: 0 }
// What suits comes first.
const items = computed(() =>
  props.lines
    .map((line) => ({ line, unfit: props.unfit.find((u) => u.id === line.id) }))
    .sort((a, b) => weight[a.unfit?.severity ?? 'note'] - weight[b.unfit?.severity ?? 'note'])
    .map(({ line: l, unfit }) => ({
      value: l.id,
      title: l.name,
      words: `${l.name} ${l.kind} ${l.brief}`.toLowerCase(),
      props: {
        subtitle: l.isBoard ? l.brief : [l.kind, l.brief].filter(Boolean).join(' · '),
        unfit,
      },
    })),
)
// By any of its words, in any order.
const matches = (_: string, query: string, item?: { raw: { words: string } }) =>
  query
    .toLowerCase()
    .split(/\s+/)
    .every((word) => item?.raw.words.includes(word) === true)

function take(id: string | null) {
  if (!id) return
  emit('take', id)
  if (props.value === undefined)
    void nextTick(() => {
      picked.value = null
      search.value = ''
    })
}
</script>

<template>
  <LineField v-slot="{ id }" :label="label">
    <v-autocomplete
      :id="id"
      v-model:search="search"
      :data-field="field"
      :items="items"
      :custom-filter="matches as never"
      :model-value="value === undefined ? picked : value"
      :placeholder="placeholder"
      auto-select-first
      @update:model-value="take"
    >
      <template #item="{ props: item }">
        <v-list-item v-bind="item" :unfit="undefined">
          <p v-if="item.unfit" class="unfit" :class="(item.unfit as Unfit).severity">
            {{ (item.unfit as Unfit).sentence }}
          </p>
        </v-list-item>
      </template>
    </v-autocomplete>
  </LineField>
</template>

<style scoped>
.unfit {
  font-size: 0.9375rem;
  line-height: 1.3;
  white-space: normal;
  /* As wide as the field, however long the reason. */
  width: 0;
  min-width: 100%;
}

.stop {
  color: var(--stop);
}

.warn {
  color: var(--warn);
}
</style>
