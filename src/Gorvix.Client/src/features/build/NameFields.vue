<script setup lang="ts">
import { limits } from '@/api/limits'
import { computed, ref, watch } from 'vue'
import LineField from '@/ui/LineField.vue'

/** What a build is called and a line about it; each is given when the field is left. */
const props = defineProps<{ name: string; note: string | null }>()
const emit = defineEmits<{ name: [text: string]; note: [text: string] }>()

const called = ref('')
const line = ref('')
watch(
  () => [props.name, props.note] as const,
  ([n, t]) => {
    called.value = n
    line.value = t ?? ''
  },
  { immediate: true },
)
const error = computed(() => (called.value.trim() === '' ? 'Enter a build name.' : ''))

function takeName() {
  if (error.value === '' && called.value.trim() !== props.name) emit('name', called.value)
}
function takeNote() {
  if (line.value.trim() !== (props.note ?? '')) emit('note', line.value)
}
</script>

<template>
  <div class="fields">
    <LineField v-slot="{ id }" label="Name" class="name">
      <v-text-field
        :id="id"
        v-model="called"
        data-field="name"
        :maxlength="limits.name"
        dir="auto"
        :error-messages="error"
        @change="takeName"
      />
    </LineField>
    <LineField v-slot="{ id }" label="Note">
      <v-text-field
        :id="id"
        v-model="line"
        data-field="note"
        :maxlength="limits.note"
        dir="auto"
        placeholder="optional"
        @change="takeNote"
      />
    </LineField>
  </div>
</template>

<style scoped>
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
}

.name {
  flex: 0 1 320px;
}

.fields > :last-child {
  min-width: 260px;
}
</style>
