<script setup lang="ts">
import { useFileDialog } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { TiedTo } from '@/api/client'
import { limits } from '@/api/limits'
import LineField from '@/ui/LineField.vue'
import type { Place } from './usePlaces'

/** What there is to remember: a line, a photo, flights; tied to a pad, a device, a step of the loom or the build. */
defineProps<{ places: Place[]; busy: boolean }>()
const emit = defineEmits<{
  note: [words: string, tied: TiedTo, tiedId: string | null]
  photo: [file: File, words: string, tied: TiedTo, tiedId: string | null]
  flights: [count: number]
}>()

const words = ref('')
const place = ref('build')
const flights = ref('1')
const tie = computed((): [TiedTo, string | null] => {
  const [kind, ...id] = place.value.split(' ')
  return kind === 'device' || kind === 'pad' || kind === 'step'
    ? [kind, id.join(' ')]
    : ['build', null]
})
const count = computed(() => Number(flights.value))
const picker = useFileDialog({
  accept: 'image/jpeg,image/png,image/webp',
  multiple: false,
  reset: true,
})
picker.onChange((files) => {
  const file = files?.[0]
  if (!file) return
  emit('photo', file, words.value, ...tie.value)
  words.value = ''
})
function write() {
  if (words.value.trim() === '') return
  emit('note', words.value, ...tie.value)
  words.value = ''
}
</script>

<template>
  <form class="note" @submit.prevent="write">
    <LineField v-slot="{ id }" label="Note">
      <v-textarea
        :id="id"
        v-model="words"
        data-field="note"
        rows="2"
        auto-grow
        :maxlength="limits.entry"
        placeholder="what you did, found or changed"
      />
    </LineField>
    <LineField v-slot="{ id }" label="About">
      <v-autocomplete
        :id="id"
        v-model="place"
        data-field="place"
        :items="places"
        no-data-text="No match in this build."
      />
    </LineField>
    <div class="row">
      <v-btn type="submit" variant="outlined" data-do="note" :disabled="busy || words.trim() === ''"
        >Add note</v-btn
      >
      <v-btn variant="outlined" data-do="photo" :disabled="busy" @click="picker.open()"
        >Add photo</v-btn
      >
    </div>
    <div class="row">
      <input
        v-model="flights"
        class="count"
        data-field="flights"
        inputmode="numeric"
        aria-label="Flights"
      />
      <v-btn
        variant="outlined"
        data-do="flights"
        :disabled="busy || !(count >= 1 && count <= 1000 && Number.isInteger(count))"
        @click="$emit('flights', count)"
        >{{ count === 1 ? 'Log flight' : 'Log flights' }}</v-btn
      >
    </div>
  </form>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-top: 8px;
}

.count {
  width: 64px;
  min-height: 40px;
  padding: 4px 10px;
  border: 1px solid var(--line);
  background: var(--ground);
  color: inherit;
  font: inherit;
  text-align: right;
}
</style>
