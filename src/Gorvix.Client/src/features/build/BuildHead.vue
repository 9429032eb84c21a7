<script setup lang="ts">
import { mdiKeyboardOutline, mdiRedo, mdiUndo } from '@mdi/js'
import { computed } from 'vue'
import type { Finding, FitView } from '@/api/client'
import { useBuild } from '@/stores/build'
import KeyButton from '@/ui/KeyButton.vue'
import VerdictMark from '@/ui/VerdictMark.vue'
import FindingList from './FindingList.vue'

/** The answer in one line, what there is to know at this step, what the last change moved, and undo. */
const props = defineProps<{
  view: FitView
  findings: Finding[]
  /** How the step itself stands; null where the verdict of the plan leads. */
  lead: string | null
}>()
defineEmits<{ keys: [] }>()

const build = useBuild()
const verdict = computed(() => props.view.sheet.verdict)
const isLong = computed(() => verdict.value.sentence.length > 160)
</script>

<template>
  <header class="head">
    <div class="verdict">
      <template v-if="lead === null">
        <VerdictMark :severity="verdict.severity" :size="24" />
        <h1 id="verdict" :class="{ long: isLong }" aria-live="polite">{{ verdict.sentence }}</h1>
      </template>
      <div v-else class="leading">
        <h1 data-testid="lead" aria-live="polite">{{ lead }}</h1>
        <RouterLink class="plan" :to="{ name: 'fit', params: { id: view.id } }"
          ><VerdictMark :severity="verdict.severity" :size="14" /><span
            id="verdict"
            aria-live="polite"
            >{{ verdict.sentence }}</span
          ></RouterLink
        >
      </div>
      <span class="actions no-print">
        <KeyButton
          id="undo"
          letter="Z"
          :sign="mdiUndo"
          :disabled="!view.undo"
          :title="view.undo ?? undefined"
          @click="build.undo"
          >Undo</KeyButton
        >
        <KeyButton
          id="redo"
          letter="Y"
          :sign="mdiRedo"
          :disabled="!view.redo"
          :title="view.redo ?? undefined"
          @click="build.redo"
          >Redo</KeyButton
        >
        <KeyButton id="keys" letter="?" :sign="mdiKeyboardOutline" @click="$emit('keys')"
          >Shortcuts</KeyButton
        >
      </span>
    </div>
    <slot />
    <FindingList :findings="findings" :of="view.id" />
    <p v-if="build.moved.length > 0" class="moved" data-testid="moved">
      {{ build.moved.join(' ') }}
    </p>
  </header>
</template>

<style scoped>
.head {
  padding: 12px 0 8px;
  overflow-wrap: anywhere;
}

.verdict {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
}

h1 {
  flex: 1 1 260px;
  font-size: 1.625rem;
  font-weight: 650;
  line-height: 1.2;
}

.leading {
  flex: 1 1 260px;
  min-width: 0;
}

.plan {
  display: inline-flex;
  gap: 6px;
  align-items: baseline;
  min-height: 24px;
  color: var(--ink-2);
  font-size: 0.9375rem;
}

@media (max-width: 600px) {
  h1 {
    font-size: 1.375rem;
  }
}

/* A list of keys is of no use without them. */
@media (hover: none) and (pointer: coarse) {
  #keys {
    display: none;
  }
}

h1.long {
  font-size: 1.25rem;
  line-height: 1.3;
}

.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

.moved {
  margin-top: 2px;
}
</style>
