<script setup lang="ts">
import type { DrillStep, FaultDebrief } from '@/api/client'
import { minutesOf } from '@/ui/minutes'

/** What there is to learn from a search: what it was, the way that was gone, and the best way beside it. */
defineProps<{ lesson: FaultDebrief }>()
const ruledOut = (s: DrillStep) =>
  s.ruledOut > 0 ? `Ruled out ${s.ruledOut} of ${s.possible}, ` : ''
</script>

<template>
  <section class="lesson" aria-label="Solution">
    <div>
      <h2>The fault</h2>
      <ul>
        <li v-for="f in lesson.faults" :key="f" class="fault">{{ f }}.</li>
      </ul>
      <p v-if="lesson.faults.length > 1" class="quiet">No test can distinguish these.</p>
      <ol>
        <li v-for="c in lesson.cure" :key="c">{{ c }}</li>
      </ol>
    </div>
    <div>
      <h2>Your tests</h2>
      <p v-if="lesson.yours.length === 0" class="quiet">You ran no tests.</p>
      <ol>
        <li v-for="(s, i) in lesson.yours" :key="i">
          <b>{{ s.title }}</b>: {{ s.words }}.
          <span class="quiet">{{ ruledOut(s) }}{{ minutesOf(s.minutes) }}</span>
          <span v-if="s.better" class="better"
            >Better test: {{ s.better }} ({{ minutesOf(s.betterMinutes) }})</span
          >
        </li>
      </ol>
    </div>
    <div>
      <h2>Optimal tests</h2>
      <p v-if="lesson.best.length === 0" class="quiet">The first symptoms were enough.</p>
      <ol>
        <li v-for="(s, i) in lesson.best" :key="i">
          <b>{{ s.title }}</b>: {{ s.words }}.
          <span class="quiet">{{ ruledOut(s) }}{{ minutesOf(s.minutes) }}</span>
        </li>
      </ol>
    </div>
  </section>
</template>

<style scoped>
.lesson {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 24px;
  margin-bottom: 16px;
}

h2 {
  margin-bottom: 4px;
  font-size: 1.1875rem;
  font-weight: 650;
}

.fault {
  font-weight: 600;
}

ol {
  margin: 0;
  padding-left: 22px;
}

ol li {
  padding: 3px 0;
}

.better {
  display: block;
  color: var(--ink-2);
}

@media (max-width: 900px) {
  .lesson {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
