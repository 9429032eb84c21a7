<script setup lang="ts">
import { ref } from 'vue'

/** The usual cautions. On a phone the first lines of them, the rest at a touch: what is worked on has to be in sight. */
defineProps<{ cautions: string[] }>()
const isWhole = ref(false)
</script>

<template>
  <div class="cautions" data-testid="cautions">
    <p :class="{ short: !isWhole }">{{ cautions.join(' ') }}</p>
    <v-btn
      class="more no-print"
      size="small"
      variant="text"
      :aria-expanded="isWhole"
      @click="isWhole = !isWhole"
      >{{ isWhole ? 'Less' : 'All cautions' }}</v-btn
    >
  </div>
</template>

<style scoped>
.cautions {
  margin: 8px 0 12px;
  padding: 0 0 0 12px;
  border-left: 3px solid var(--warn);
}

.more {
  display: none;
  margin-left: -10px;
}

@media screen and (max-width: 700px) {
  .short {
    display: -webkit-box;
    overflow: hidden;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
  }

  .more {
    display: inline-flex;
  }
}
</style>
