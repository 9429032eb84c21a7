<script setup lang="ts">
import type { DraftView, Problem } from '@/api/client'
import { limits } from '@/api/limits'
import LazyPicture from '@/features/picture/LazyPicture.vue'
import LineField from '@/ui/LineField.vue'
import PlaceList from '@/ui/PlaceList.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import VerdictMark from '@/ui/VerdictMark.vue'

/** What the choices come to so far: a choice that was refused, what would burn, the verdict, and the build at the end. */
defineProps<{
  look: DraftView | null
  board: string | null
  begun: boolean
  refused: { name: string; why: string } | null
  problem: Problem | null
  making: boolean
}>()
const emit = defineEmits<{ insist: []; leave: []; make: []; reset: [] }>()
const name = defineModel<string | null>('name')
</script>

<template>
  <aside class="so-far" aria-label="Build summary">
    <h2>Summary</h2>
    <div v-if="refused" id="refused" class="refused" role="alert">
      <p>
        <strong>{{ refused.name }} was not added.</strong> {{ refused.why }}
      </p>
      <v-btn size="small" variant="text" data-insist @click="emit('insist')">Use anyway</v-btn>
      <v-btn size="small" variant="text" @click="emit('leave')">Cancel</v-btn>
    </div>
    <p v-if="!board" class="quiet">Choose a board first. Each part then shows whether it fits.</p>
    <LazyPicture v-else class="picture" :of="{ kind: 'board', id: board }" />
    <template v-if="board && look">
      <p v-for="stop in look.stops" :key="stop" class="stop-line">Problem: {{ stop }}</p>
      <p v-if="look.verdict" class="verdict" aria-live="polite">
        <VerdictMark :severity="look.verdict.severity" :size="20" />
        <span v-if="look.stops.length > 0" data-testid="so-far"
          >{{ look.verdict.carried }} of {{ look.verdict.wanted }} links connected.</span
        >
        <span v-else data-testid="so-far">{{ look.verdict.sentence }}</span>
      </p>
      <PlaceList :places="look.wishes.filter((w) => w.priority)" />
    </template>
    <ProblemNote
      v-if="problem"
      :title="problem.status === 0 ? 'Connection lost – draft kept' : 'Could not create build'"
      :problem="problem"
    />
    <LineField v-slot="{ id }" label="Name">
      <v-text-field
        :id="id"
        v-model="name"
        data-field="name"
        dir="auto"
        :maxlength="limits.name"
        :placeholder="look?.name ?? 'board name'"
        persistent-placeholder
      />
    </LineField>
    <v-btn
      id="make"
      color="primary"
      variant="flat"
      :disabled="!board"
      :loading="making"
      @click="emit('make')"
      >Create build<v-kbd aria-hidden="true">Ctrl Enter</v-kbd></v-btn
    >
    <v-btn v-if="begun" variant="text" size="small" @click="emit('reset')">Start over</v-btn>
  </aside>
</template>

<style scoped>
h2 {
  font-size: 1.125rem;
  font-weight: 650;
}
.so-far {
  position: sticky;
  top: 60px;
  display: grid;
  gap: 10px;
  padding: 12px 16px 16px;
  border: 1px solid var(--line);
  background: var(--sheet);
  overflow-wrap: anywhere;
}

.picture {
  height: 132px;
}

.refused {
  padding: 8px 12px;
  border: 1px solid var(--stop);
  border-left-width: 6px;
}

.stop-line {
  color: var(--stop);
}

.verdict {
  display: flex;
  gap: 10px;
  font-size: 1.0625rem;
}

.stop-line {
  color: var(--stop);
  font-weight: 600;
}

@media (max-width: 1020px) {
  .so-far {
    position: static;
  }
}
</style>
