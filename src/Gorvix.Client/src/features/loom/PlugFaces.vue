<script setup lang="ts">
import TermHelp from '@/ui/TermHelp.vue'
import { computed, ref } from 'vue'
import type { LoomView } from '@/api/client'
import OtherWays from './OtherWays.vue'
import WayTable from './WayTable.vue'

/** Every seated plug, cavity by cavity: what is in it as it comes, what must be in it, and what would come of the difference. */
const props = defineProps<{
  faces: LoomView['sheet']['faces']
  /** Other ways to the same wiring. */
  ways: LoomView['sheet']['otherWays']
}>()
const emit = defineEmits<{ did: [way: string] }>()
const joined = computed(() => props.ways.filter((w) => w.isPlanned))
const instead = (device: string) => props.ways.filter((w) => w.device === device && !w.isPlanned)
const mouth = ref(false)
const ordered = <T,>(list: readonly T[]) => (mouth.value ? [...list].reverse() : list)
</script>

<template>
  <section v-if="faces.length > 0" data-testid="plugs">
    <header>
      <h2>Plugs <TermHelp term="de-pin" /></h2>
      <v-btn-toggle
        v-model="mouth"
        density="compact"
        mandatory
        class="no-print"
        aria-label="Plug view"
      >
        <v-btn :value="false" size="small">wire side</v-btn>
        <v-btn :value="true" size="small">mating side</v-btn>
      </v-btn-toggle>
    </header>
    <p class="quiet small">
      {{ mouth ? 'Mating side' : 'Wire side' }}, latch up: pin 1 (marked) on the
      {{ mouth ? 'right' : 'left' }}.
    </p>
    <article v-for="f in faces" :key="f.device" :data-plug="f.device">
      <h3>{{ f.name }} in {{ f.socket }}</h3>
      <ul class="cavities">
        <li
          v-for="c in ordered(f.cavities)"
          :key="c.number"
          :class="{ differs: c.comes?.lead !== c.needs?.lead, first: c.number === 1 }"
        >
          <span class="number">{{ c.number }}</span>
          <span class="label pad">{{ c.pad ?? 'no pad' }}</span>
          <del v-if="c.comes && c.comes.lead !== c.needs?.lead" class="label">{{
            c.comes.label
          }}</del>
          <ins v-if="c.needs" class="label" :class="{ same: c.comes?.lead === c.needs.lead }">
            {{ c.needs.label }}<small v-if="c.needs.colour">{{ c.needs.colour }}</small>
          </ins>
          <span v-else class="quiet">empty</span>
        </li>
      </ul>
      <p v-for="c in f.cavities.filter((x) => x.wrong)" :key="c.number" class="wrong">
        If pin {{ c.number }} is left as is: {{ c.wrong }}.
      </p>
      <p v-if="f.moves.length === 0" class="quiet small">No re-pinning needed.</p>
      <OtherWays
        v-if="instead(f.device).length > 0"
        :ways="instead(f.device)"
        :planned="f.price ?? ''"
        @did="emit('did', $event)"
      />
    </article>
  </section>
  <section v-if="joined.length > 0" data-testid="joined">
    <h2>Spliced harnesses</h2>
    <article v-for="w in joined" :key="w.id" :data-joined="w.device">
      <h3>{{ w.name }} to pigtail in {{ w.socket }}</h3>
      <WayTable :way="w" />
      <OtherWays
        v-if="instead(w.device).length > 0"
        :ways="instead(w.device)"
        :planned="w.price"
        @did="emit('did', $event)"
      />
    </article>
  </section>
</template>

<style scoped>
section {
  break-inside: avoid;
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  justify-content: space-between;
}

h3 {
  margin-top: 10px;
  font-weight: 650;
}

.cavities {
  display: flex;
  flex-wrap: wrap;
  padding: 0;
  list-style: none;
}

.cavities li {
  display: flex;
  flex: 1 1 64px;
  flex-direction: column;
  min-width: 64px;
  max-width: 120px;
  padding: 4px 6px;
  border: 1px solid var(--line);
  border-left-width: 0;
  background: var(--sheet);
}

.cavities li:first-child {
  border-left-width: 1px;
}

.cavities li.first {
  border-top: 4px solid var(--ink);
}

.cavities li.differs {
  background: repeating-linear-gradient(45deg, transparent 0 5px, var(--line-faint) 5px 6px);
}

.number {
  color: var(--ink-2);
  font-size: 0.875rem;
  font-variant-numeric: tabular-nums;
}

.pad {
  overflow-wrap: anywhere;
  font-size: 0.875rem;
}

del {
  color: var(--ink-2);
}

ins {
  font-weight: 650;
  text-decoration: none;
}

ins.same {
  font-weight: 400;
}

small {
  display: block;
  color: var(--ink-2);
  font-family: inherit;
}

.wrong {
  padding-left: 10px;
  border-left: 3px solid var(--stop);
}
</style>
