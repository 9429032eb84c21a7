<script setup lang="ts">
import type { BuildChange, FitView } from '@/api/client'
import KeyButton from '@/ui/KeyButton.vue'
import VerdictMark from '@/ui/VerdictMark.vue'
import { lifting } from './wishes'

/** The answer in one line, what the last change moved, and undo. */
defineProps<{ view: FitView; moved: string[] }>()
defineEmits<{ undo: []; redo: []; keys: []; change: [change: BuildChange] }>()
</script>

<template>
  <header class="head">
    <div class="verdict">
      <VerdictMark :severity="view.sheet.verdict.severity" :size="24" />
      <h1 id="verdict" aria-live="polite">{{ view.sheet.verdict.sentence }}</h1>
      <span class="actions no-print">
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
    <ul v-if="view.sheet.findings.length > 0" class="findings">
      <li v-for="(finding, i) in view.sheet.findings" :key="i" :class="finding.severity">
        <span class="label code">{{ finding.rule }}</span> {{ finding.sentence }}
      </li>
      <li v-for="conflict in view.sheet.conflicts" :key="conflict.link" data-testid="conflict">
        {{ conflict.sentence }}
        <button
          v-for="(wish, i) in conflict.wishes"
          :key="i"
          type="button"
          class="lift no-print"
          @click="$emit('change', lifting(wish))"
        >
          {{ conflict.wishes.length === 1 ? `Lift the ${wish.kind}` : `Lift: ${wish.sentence}` }}
        </button>
      </li>
    </ul>
    <p class="moved" aria-live="polite" data-testid="moved">
      <template v-if="moved.length > 0">{{ moved.join(' ') }}</template>
      <span v-else class="quiet">
        {{ view.sheet.board }} · <span class="label">{{ view.sheet.controller }}</span>-class
      </span>
    </p>
  </header>
</template>

<style scoped>
.head {
  padding: 14px 0 10px;
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

.lift {
  min-height: 28px;
  border: 0;
  background: none;
  color: var(--chosen);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.lift:hover {
  text-decoration: underline;
}

.moved {
  min-height: 1.4em;
  margin-top: 2px;
}
</style>
