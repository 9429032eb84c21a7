<script setup lang="ts">
import { ref } from 'vue'
import { who } from '@/api/client'
import { limits } from '@/api/limits'
import LineField from '@/ui/LineField.vue'

/** Who plays: levels, mistakes that come back and scores stand under this name. It is no account. */
const emit = defineEmits<{ changed: [] }>()
const name = ref(who.get())
function keep() {
  if (name.value.trim() === who.get()) return
  who.set(name.value)
  emit('changed')
}
</script>

<template>
  <LineField v-slot="{ id }" label="Your name">
    <v-text-field
      :id="id"
      v-model="name"
      data-field="who"
      :maxlength="limits.person"
      placeholder="for levels and scores"
      @change="keep"
      @blur="keep"
    />
  </LineField>
</template>
