<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Finding } from '@/api/client'
import RuleCode from '@/features/rules/RuleCode.vue'

/** What there is to know at a step, the gravest first. */
const props = defineProps<{
  findings: Finding[]
  /** Id of the build that they are of: another one begins folded. */
  of: string
}>()

// Very many would push what the screen is for out of sight; the gravest come first. Paper has room for all.
const most = 12
const first = 8
const isWhole = ref(false)
watch(
  () => props.of,
  () => (isWhole.value = false),
)
const isFew = computed(() => props.findings.length <= most)
</script>

<template>
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
        class="more"
        data-do="more-findings"
        variant="text"
        size="small"
        :aria-expanded="isWhole"
        @click="isWhole = !isWhole"
        >{{ isWhole ? `Show first ${first}` : `Show ${findings.length - first} more` }}</v-btn
      >
    </li>
  </ul>
</template>

<style scoped>
@media screen {
  .rest {
    display: none;
  }
}

.more {
  margin-left: -6px;
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
</style>
