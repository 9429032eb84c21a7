<script setup lang="ts">
import { mdiTrashCanOutline } from '@mdi/js'
import ActionSign from '@/ui/ActionSign.vue'
import { computed } from 'vue'
import type { LogEntry } from '@/api/client'
import { stateOf } from '@/features/bench/useBench'
import StateMark from '@/ui/StateMark.vue'
import { dayOf } from '@/ui/dayOf'
import { byDay, kindsOf } from './useLog'
import type { Place } from './usePlaces'

/** What happened, day by day, the newest first. */
const props = defineProps<{
  build: string
  entries: LogEntry[]
  newest: number
  places: Place[]
}>()
defineEmits<{
  compare: [version: number]
  restore: [version: number]
  text: [number: number]
  remove: [entry: LogEntry]
  strike: [entry: LogEntry, struck: boolean]
}>()

const days = computed(() => byDay(props.entries, dayOf))
const hour = (at: string) =>
  new Date(at).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' })
const titles = computed(() => new Map(props.places.map((p) => [p.value, p.title])))
// What is not there any more is told by its id.
const about = (e: LogEntry) =>
  ` – ${titles.value.get(`${e.tied} ${e.tiedId}`) ?? `${e.tied} ${e.tiedId}`}`
</script>

<template>
  <section v-for="d in days" :key="d.day" class="day">
    <h3>{{ d.day }}</h3>
    <ul>
      <li
        v-for="e in d.entries"
        :key="`${e.kind} ${e.number}`"
        :data-entry="`${e.kind}-${e.number}`"
      >
        <time class="quiet">{{ hour(e.at) }}</time>
        <span class="kind label" :title="kindsOf[e.kind].one">{{ kindsOf[e.kind].letter }}</span>
        <StateMark v-if="e.mark" :state="stateOf[e.mark]" :size="18" />
        <div class="what" :class="{ struck: e.struck }">
          <RouterLink
            v-if="e.kind === 'reading'"
            :to="{ name: 'bench', params: { id: build }, query: { at: e.check } }"
            >{{ e.words }}</RouterLink
          >
          <span v-else>{{ e.words || (e.kind === 'photo' ? 'Photo' : 'Settings dump') }}</span>
          <span v-if="e.read" class="read">{{ e.read }}</span>
          <span v-if="e.tied !== 'build' && e.tiedId" class="quiet"> {{ about(e) }}</span>
          <span v-if="e.who" class="quiet">, {{ e.who }}</span>
          <span v-if="e.struck" class="quiet note">struck out, does not count</span>
          <a
            v-if="e.kind === 'photo'"
            class="photo"
            :href="`/api/builds/${build}/log/photos/${e.number}`"
            target="_blank"
            ><img
              :src="`/api/builds/${build}/log/photos/${e.number}?small=true`"
              :alt="e.words || 'Photo'"
              loading="lazy"
          /></a>
        </div>
        <span class="deeds no-print">
          <template v-if="e.kind === 'change' && e.number < newest">
            <v-btn
              variant="text"
              size="small"
              :data-compare="e.number"
              @click="$emit('compare', e.number)"
              >Compare</v-btn
            >
            <v-btn
              variant="text"
              size="small"
              :data-restore="e.number"
              @click="$emit('restore', e.number)"
              >Restore version</v-btn
            >
          </template>
          <v-btn
            v-if="e.kind === 'text'"
            variant="text"
            size="small"
            :data-text="e.number"
            @click="$emit('text', e.number)"
            >Compare</v-btn
          >
          <v-btn
            v-if="e.kind === 'reading'"
            variant="text"
            size="small"
            :data-strike="e.number"
            :aria-label="`${e.struck ? 'Restore' : 'Strike out'} reading: ${e.words}`"
            @click="$emit('strike', e, !e.struck)"
            >{{ e.struck ? 'Restore' : 'Strike out' }}</v-btn
          >
          <v-btn
            v-if="e.kind !== 'change' && e.kind !== 'reading'"
            variant="text"
            size="small"
            :aria-label="`Delete entry: ${e.words || kindsOf[e.kind].one}`"
            @click="$emit('remove', e)"
            ><ActionSign :path="mdiTrashCanOutline" />Delete entry</v-btn
          >
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.struck > :not(.note) {
  text-decoration: line-through;
}

.note {
  margin-left: 8px;
}

.day + .day {
  margin-top: 14px;
}

h3 {
  padding-bottom: 2px;
  border-bottom: 1px solid var(--line);
  font-weight: 650;
}

li {
  display: flex;
  gap: 10px;
  align-items: baseline;
  min-height: 34px;
  padding: 4px 0;
  border-bottom: 1px solid var(--line-faint);
}

li > svg {
  align-self: center;
}

time {
  flex: none;
  width: 62px;
  font-size: 0.9375rem;
}

.kind {
  flex: none;
  width: 20px;
  border: 1px solid var(--line);
  text-align: center;
}

.what {
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}

.read {
  margin-left: 8px;
  font-variant-numeric: tabular-nums;
  font-weight: 600;
}

.deeds {
  flex: none;
  display: flex;
}

.photo {
  display: block;
  margin-top: 4px;
}

img {
  display: block;
  max-width: 220px;
  max-height: 160px;
  border: 1px solid var(--line);
}
</style>
