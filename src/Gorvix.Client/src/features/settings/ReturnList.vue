<script setup lang="ts">
import { computed } from 'vue'
import type { SettingsView } from '@/api/client'

/** What will be on the radio's screen, what will not and why; and how long a stick takes. */
const props = defineProps<{ sheet: SettingsView['sheet'] }>()
const come = computed(() => props.sheet.telemetry.filter((v) => !v.missing))
const missing = computed(() => props.sheet.telemetry.filter((v) => v.missing))
const same = computed(
  () => come.value.length === 0 && new Set(missing.value.map((v) => v.missing)).size === 1,
)
const ms = (v: number | null | undefined) => (v == null ? 'unknown' : `${v.toFixed(2)} ms`)
</script>

<template>
  <section data-testid="telemetry">
    <h2>Telemetry on radio</h2>
    <template v-if="same">
      <p class="none">{{ missing[0]?.missing }}</p>
      <p class="quiet small">Missing: {{ missing.map((v) => v.name).join(', ') }}.</p>
    </template>
    <template v-else>
      <p class="quiet small">{{ come[0]?.by }}</p>
      <ul>
        <li v-for="v in come" :key="v.name">
          <span>{{ v.name }}</span><span class="quiet">{{ v.from }}</span>
        </li>
      </ul>
      <ul v-if="missing.length > 0" class="missing">
        <li v-for="v in missing" :key="v.name">
          <s>{{ v.name }}</s><span>{{ v.missing }}</span>
        </li>
      </ul>
      <p v-for="n in sheet.telemetryNotes" :key="n" class="quiet small">{{ n }}</p>
    </template>
  </section>
  <section v-if="sheet.timing" data-testid="timing">
    <h2>Stick latency</h2>
    <dl>
      <dt>packet interval</dt>
      <dd>{{ ms(sheet.timing.periodMs) }}</dd>
      <dt>frame time in module bay</dt>
      <dd>{{ ms(sheet.timing.bayFrameMs) }}</dd>
      <dt>frame time to board</dt>
      <dd>{{ ms(sheet.timing.frameMs) }}</dd>
      <dt>max packet rate, Hz</dt>
      <dd>{{ sheet.timing.mostHertz ?? 'unknown' }}</dd>
    </dl>
    <p>{{ sheet.timing.words }}</p>
  </section>
  <section v-else class="quiet small" data-testid="timing">
    Enter the radio's baud and packet rate under Parts to see stick latency.
  </section>
</template>

<style scoped>
section {
  margin-bottom: 20px;
}

ul {
  margin: 4px 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 6fr);
  gap: 12px;
  padding: 3px 0;
  border-bottom: 1px solid var(--line-faint);
}

.none {
  padding-left: 10px;
  border-left: 3px solid var(--warn);
}

.missing s {
  color: var(--ink-2);
}

dl {
  display: grid;
  grid-template-columns: minmax(0, 1fr) max-content;
  margin: 4px 0;
}

dt,
dd {
  padding: 3px 0;
  border-bottom: 1px solid var(--line-faint);
}

dd {
  margin: 0;
  font-variant-numeric: tabular-nums;
  text-align: right;
}
</style>
