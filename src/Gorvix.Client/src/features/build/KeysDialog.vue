<script setup lang="ts">
import { useLetters } from '@/ui/useLetters'

/** The keys of a screen, and the switch for those that are plain letters. */
defineProps<{ keys: [key: string, words: string][] }>()
const open = defineModel<boolean>({ required: true })
const letters = useLetters()
</script>

<template>
  <v-dialog v-model="open">
    <div class="box" role="document">
      <h2>Shortcuts</h2>
      <dl>
        <template v-for="[key, words] in keys" :key="key">
          <dt class="label">{{ key }}</dt>
          <dd>{{ words }}</dd>
        </template>
      </dl>
      <v-switch
        v-model="letters"
        class="letters"
        label="Single-key shortcuts"
        hint="Arrows, Enter and Escape always work."
        persistent-hint
        color="primary"
        density="compact"
        inset
      />
      <slot />
      <v-btn @click="open = false">Close</v-btn>
    </div>
  </v-dialog>
</template>

<style scoped>
.box {
  padding: 20px 24px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: var(--ink);
}

.letters {
  margin: -8px 0 16px;
}

h2,
:slotted(h2) {
  font-size: 1.25rem;
  font-weight: 650;
}

dl,
:slotted(dl) {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 6px 16px;
  margin: 8px 0 20px;
}
</style>
