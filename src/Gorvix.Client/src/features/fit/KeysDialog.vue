<script setup lang="ts">
import { useLetters } from '@/ui/useLetters'

const open = defineModel<boolean>({ required: true })
const letters = useLetters()
const keys = [
  ['← ↑ ↓ →', 'walk the grid'],
  ['Enter', 'pin the link here, or unpin it'],
  ['X', 'ban the link here, or lift the ban'],
  ['1–9', 'choose one of the best plans'],
  ['P', 'board, devices and links'],
  ['H', 'supply, firmware and house rules'],
  ['R', 'read the rule of a blocked cell'],
  ['Z', 'undo'],
  ['Y', 'redo'],
  ['?', 'this list'],
]
</script>

<template>
  <v-dialog v-model="open">
    <div class="box" role="document">
      <h2>Keys</h2>
      <dl>
        <template v-for="[key, words] in keys" :key="key">
          <dt class="label">{{ key }}</dt>
          <dd>{{ words }}</dd>
        </template>
      </dl>
      <v-switch
        v-model="letters"
        class="letters"
        label="Letters and numbers act as keys"
        hint="Arrows, Enter and Escape always do."
        persistent-hint
        color="primary"
        density="compact"
        inset
      />
      <h2>Marks</h2>
      <dl>
        <dt>■</dt>
        <dd>chosen: the plan puts the link here</dd>
        <dt>□</dt>
        <dd>possible: the words say what it would cost</dd>
        <dt>╱</dt>
        <dd>
          blocked: the code names the rule; a stroke alone: the port is of another kind or not free
        </dd>
      </dl>
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

h2 {
  font-size: 1.25rem;
  font-weight: 650;
}

dl {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 6px 16px;
  margin: 8px 0 20px;
}
</style>
