<script setup lang="ts">
import type { CauseLine } from '@/api/client'

/** One cause: why it explains what was seen, what speaks against it, how it is mended, what proves that. */
defineProps<{ cause: CauseLine; proof: string | null; build: string; busy: boolean }>()
defineEmits<{ mended: []; refute: [] }>()

const screens = {
  loom: { name: 'loom', words: 'Open Loom' },
  settings: { name: 'settings', words: 'Open Settings' },
  parts: { name: 'parts', words: 'Open Parts' },
  fit: { name: 'fit', words: 'Open Fit' },
} as const
const screenOf = (at: CauseLine['cure'][number]['at']) => (at === 'around' ? null : screens[at])
</script>

<template>
  <article class="cause" :data-shown="cause.id">
    <template v-if="cause.words.length > 1">
      <p>No test can distinguish these:</p>
      <ul>
        <li v-for="w in cause.words" :key="w">{{ w }}</li>
      </ul>
    </template>
    <p v-if="cause.harms" class="harms">Do not power up: this fault would destroy a part.</p>
    <template v-if="cause.explains.length > 0">
      <h4>Explains</h4>
      <ul>
        <li v-for="e in cause.explains" :key="e">{{ e }}</li>
      </ul>
    </template>
    <template v-if="cause.against.length > 0">
      <h4>Does not explain</h4>
      <ul>
        <li v-for="a in cause.against" :key="a">{{ a }}</li>
      </ul>
    </template>
    <template v-if="cause.cure.length > 0">
      <h4>Fix</h4>
      <ol>
        <template v-for="(c, i) in cause.cure" :key="i">
          <li v-for="s in c.steps" :key="s">{{ s }}</li>
        </template>
      </ol>
      <p v-if="proof">Then verify: {{ proof }}.</p>
      <p class="deeds">
        <v-btn
          variant="flat"
          color="primary"
          data-do="mended"
          :disabled="busy"
          @click="$emit('mended')"
          >Mark as fixed<v-kbd aria-hidden="true">M</v-kbd></v-btn
        >
        <v-btn variant="outlined" data-do="refute" :disabled="busy" @click="$emit('refute')"
          >Rule out<v-kbd aria-hidden="true">X</v-kbd></v-btn
        >
        <template v-for="(c, i) in cause.cure" :key="i">
          <RouterLink
            v-if="screenOf(c.at)"
            :to="{ name: screenOf(c.at)!.name, params: { id: build } }"
            >{{ screenOf(c.at)!.words }}</RouterLink
          >
        </template>
      </p>
    </template>
  </article>
</template>

<style scoped>
.cause {
  padding: 4px 12px 12px;
  border-left: 3px solid var(--chosen);
  background: var(--sheet);
}

h4 {
  margin: 8px 0 0;
  font-size: 1rem;
  font-weight: 650;
}

ul,
ol {
  margin: 0;
  padding-left: 20px;
}

.harms {
  margin-top: 8px;
  padding-left: 10px;
  border-left: 3px solid var(--stop);
}

.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin-top: 10px;
}
</style>
