<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Finding, FitView } from '@/api/client'
import RuleCode from '@/features/rules/RuleCode.vue'
import { useBuild } from '@/stores/build'
import KeyButton from '@/ui/KeyButton.vue'
import VerdictMark from '@/ui/VerdictMark.vue'

/** The answer in one line, what there is to know at this step, what the last change moved, and undo. */
const props = defineProps<{ view: FitView; findings: Finding[] }>()
defineEmits<{ keys: [] }>()

const build = useBuild()
const verdict = computed(() => props.view.sheet.verdict)
const isLong = computed(() => verdict.value.sentence.length > 160)

// Very many would push what the screen is for out of sight; the gravest come first. Paper has room for all.
const most = 12
const first = 8
const isWhole = ref(false)
watch(
  () => props.view.id,
  () => (isWhole.value = false),
)
const isFew = computed(() => props.findings.length <= most)
</script>

<template>
  <header class="head">
    <div class="verdict">
      <VerdictMark :severity="verdict.severity" :size="24" />
      <h1 id="verdict" :class="{ long: isLong }" aria-live="polite">{{ verdict.sentence }}</h1>
      <span class="actions no-print">
        <KeyButton
          id="undo"
          letter="Z"
          :disabled="!view.undo"
          :title="view.undo ?? undefined"
          @click="build.undo"
          >Undo</KeyButton
        >
        <KeyButton
          id="redo"
          letter="Y"
          :disabled="!view.redo"
          :title="view.redo ?? undefined"
          @click="build.redo"
          >Redo</KeyButton
        >
        <KeyButton id="keys" letter="?" @click="$emit('keys')">Shortcuts</KeyButton>
      </span>
    </div>
    <slot />
    <ul v-if="findings.length > 0" class="findings">
      <li
        v-for="(finding, i) in findings"
        :key="i"
        :class="[finding.severity, { rest: !isFew && !isWhole && i >= first }]"
      >
        <RuleCode class="code" :code="finding.rule" /> {{ finding.sentence }}
      </li>
      <li v-if="!isFew" class="no-print">
        <v-btn
          id="more-findings"
          variant="text"
          size="small"
          :aria-expanded="isWhole"
          @click="isWhole = !isWhole"
          >{{ isWhole ? `Show first ${first}` : `Show ${findings.length - first} more` }}</v-btn
        >
      </li>
    </ul>
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

h1.long {
  font-size: 1.25rem;
  line-height: 1.3;
}

@media screen {
  .rest {
    display: none;
  }
}

#more-findings {
  margin-left: -6px;
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
