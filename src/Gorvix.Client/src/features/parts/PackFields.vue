<script setup lang="ts">
import { computed } from 'vue'
import type { Setup, SetupChoices, Unfit } from '@/api/client'
import LineField from '@/ui/LineField.vue'

type Pack = NonNullable<Setup['pack']>

/** The pack: cells in series and their kind; one that would burn or starve something says so in the list. */
const props = defineProps<{ pack: Pack | null; choices: SetupChoices | null; unfit?: Unfit[] }>()
const emit = defineEmits<{ change: [pack: Pack | null] }>()

const cells = computed(() => [
  { value: '', title: 'not set', props: {} },
  ...(props.choices?.pack.cells ?? []).map((c) => ({
    value: c.value,
    title: c.words,
    props: { unfit: props.unfit?.find((u) => u.id === c.value) },
  })),
])
const chemistry = computed(() => props.pack?.chemistry ?? props.choices?.pack.chemistries[0]?.value)

function set(count: string, kind: string | undefined) {
  emit('change', count === '' ? null : { cells: Number(count), chemistry: kind as 'lithium' })
}
</script>

<template>
  <div class="row">
    <LineField v-slot="{ id }" label="Battery">
      <v-select
        :id="id"
        data-field="cells"
        :items="cells"
        :model-value="String(pack?.cells ?? '')"
        @update:model-value="set($event, chemistry)"
      >
        <template #item="{ props: item }">
          <v-list-item v-bind="item" :unfit="undefined">
            <p v-if="item.unfit" class="unfit">{{ (item.unfit as Unfit).sentence }}</p>
          </v-list-item>
        </template>
      </v-select>
    </LineField>
    <LineField v-slot="{ id }" label="Cell type">
      <v-select
        :id="id"
        data-field="chemistry"
        :items="choices?.pack.chemistries ?? []"
        item-title="words"
        :disabled="!pack"
        :model-value="chemistry"
        @update:model-value="set(String(pack?.cells), $event)"
      />
    </LineField>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  gap: 12px;
}

.unfit {
  color: var(--stop);
  font-size: 0.9375rem;
  line-height: 1.3;
  white-space: normal;
  /* As wide as the field, however long the reason. */
  width: 0;
  min-width: 100%;
}
</style>
