<script setup lang="ts">
import type { BuildTouched, Problem } from '@/api/client'
import ProblemNote from '@/ui/ProblemNote.vue'

/** What saving would do to the builds that have the part, and the button that does it. */
defineProps<{
  isNew: boolean
  /** How to begin, for one that is empty. */
  hint: string
  usable: boolean
  stops: number
  touched: BuildTouched[]
  problem: Problem | null
  begun: boolean
  busy: boolean
}>()
defineEmits<{ save: []; reset: []; adopt: [] }>()

/** A build in which something moves, falls or stops. */
const differs = (t: BuildTouched) =>
  t.refused != null ||
  (t.preview != null &&
    (t.preview.moved.length > 0 ||
      t.preview.falls.length > 0 ||
      t.preview.before.sentence !== t.preview.after.sentence))
</script>

<template>
  <section class="save" aria-label="Save">
    <ProblemNote v-if="problem" title="Not saved" :problem="problem">
      <v-btn v-if="problem.status === 409 && !isNew" data-do="adopt" @click="$emit('adopt')"
        >Overwrite with mine</v-btn
      >
    </ProblemNote>
    <p v-if="touched.length > 0" class="quiet">
      Used in {{ touched.length === 1 ? '1 build' : `${touched.length} builds` }}.
    </p>
    <ul v-if="touched.length > 0" class="touched" data-testid="touched">
      <li v-for="t in touched" :key="t.id">
        <strong
          ><bdi>{{ t.name }}</bdi></strong
        >:
        <span v-if="t.refused" class="stop"
          >cannot be planned with this change. {{ t.refused }}</span
        >
        <span v-else-if="!differs(t)">no change.</span>
        <template v-else>
          {{ t.preview?.after.sentence }}
          <span v-for="move in t.preview?.moved" :key="move" class="line">{{ move }}</span>
          <span v-for="fall in t.preview?.falls" :key="fall" class="line">{{ fall }}</span>
        </template>
      </li>
    </ul>
    <p v-if="!begun && isNew" class="quiet">
      {{ hint }} Your draft stays in this browser until you save it.
    </p>
    <p v-else-if="!usable" class="quiet">
      Fix {{ stops === 1 ? '1 problem' : `${stops} problems` }} to save. Your draft stays in this
      browser.
    </p>
    <div class="buttons">
      <v-btn
        color="primary"
        variant="flat"
        data-do="save"
        :disabled="!usable || busy || (!isNew && !begun)"
        @click="$emit('save')"
        >{{ isNew ? 'Save to library' : 'Save changes' }}</v-btn
      >
      <v-btn v-if="begun" variant="text" data-do="reset" @click="$emit('reset')">{{
        isNew ? 'Start over' : 'Discard changes'
      }}</v-btn>
    </div>
  </section>
</template>

<style scoped>
.save {
  padding: 10px 12px;
  border: 1px solid var(--line);
  background: var(--sheet);
}

.touched li {
  padding: 4px 0;
  font-size: 0.9375rem;
}

.line {
  display: block;
}

.stop {
  color: var(--stop);
}

.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
}
</style>
