<script setup lang="ts">
import { computed } from 'vue'
import type { FitView } from '@/api/client'
import RuleCode from '@/features/rules/RuleCode.vue'
import KeyButton from '@/ui/KeyButton.vue'
import VerdictMark from '@/ui/VerdictMark.vue'

/** The answer in one line, what the last change moved, and undo. */
const props = defineProps<{ view: FitView; moved: string[] }>()
defineEmits<{ undo: []; redo: []; keys: []; panel: [panel: 'setup' | 'parts'] }>()

/** A link that is left out is told about in full below, with what would carry it. */
const findings = computed(() => {
  const { findings, conflicts } = props.view.sheet
  return findings.filter(
    (f) => f.subject.kind !== 'link' || !conflicts.some((c) => c.link === f.subject.id),
  )
})
</script>

<template>
  <header class="head" aria-live="polite">
    <div class="verdict">
      <VerdictMark :severity="view.sheet.verdict.severity" :size="24" />
      <h1 id="verdict">{{ view.sheet.verdict.sentence }}</h1>
      <span class="actions no-print">
        <KeyButton id="open-parts" letter="P" @click="$emit('panel', 'parts')">Parts</KeyButton>
        <KeyButton id="open-setup" letter="H" @click="$emit('panel', 'setup')">Set-up</KeyButton>
        <KeyButton
          id="undo"
          letter="Z"
          :disabled="!view.undo"
          :title="view.undo ?? undefined"
          @click="$emit('undo')"
          >Undo</KeyButton
        >
        <KeyButton
          id="redo"
          letter="Y"
          :disabled="!view.redo"
          :title="view.redo ?? undefined"
          @click="$emit('redo')"
          >Redo</KeyButton
        >
        <KeyButton id="keys" letter="?" @click="$emit('keys')">Keys</KeyButton>
      </span>
    </div>
    <ul v-if="findings.length > 0" class="findings">
      <li v-for="(finding, i) in findings" :key="i" :class="finding.severity">
        <RuleCode class="code" :code="finding.rule" /> {{ finding.sentence }}
      </li>
    </ul>
    <p v-if="moved.length > 0" class="moved" data-testid="moved">{{ moved.join(' ') }}</p>
  </header>
</template>

<style scoped>
.head {
  padding: 12px 0 8px;
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

.actions {
  display: flex;
  gap: 8px;
}

.findings {
  margin-top: 4px;
}

.code {
  padding-right: 4px;
}

.stop .code {
  color: var(--stop);
}

.warn .code {
  color: var(--warn);
}

.moved {
  margin-top: 2px;
}
</style>
