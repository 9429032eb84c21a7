<script setup lang="ts">
/** Parts as their sorts usually are, to begin with. */
defineProps<{ presets: { id: string; name: string; tells: string }[] }>()
defineEmits<{ choose: [id: string] }>()
</script>

<template>
  <ul class="presets">
    <li v-for="p in presets" :key="p.id">
      <button type="button" :data-pattern="p.id" @click="$emit('choose', p.id)">
        <strong>{{ p.name }}</strong>
        <span class="quiet">{{ p.tells }}</span>
      </button>
    </li>
  </ul>
</template>

<style scoped>
.presets {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 6px;
  margin-top: 8px;
}

button {
  display: flex;
  flex-direction: column;
  width: 100%;
  height: 100%;
  min-height: 72px;
  padding: 8px 12px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

button:hover,
button:focus-visible {
  border-color: var(--chosen);
}

strong,
span {
  display: block;
}

span {
  font-size: 0.9375rem;
}
</style>
