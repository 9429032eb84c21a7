<script setup lang="ts">
import type { Device, DeviceChoices } from '@/api/client'
import TypedText from './TypedText.vue'

/** What the lights of a device say in each state, as its leaflet tells; the bench asks for them. */
const props = defineProps<{ device: Device; states: DeviceChoices['states'] }>()
const emit = defineEmits<{ change: [edit: (device: Device) => Device] }>()

type Sign = NonNullable<Device['signs']>[number]
const seen = (state: string) => props.device.signs?.find((s) => s.state === state)?.seen
function take(value: string, text: string) {
  const state = value as Sign['state']
  emit('change', (device) => {
    const others = (device.signs ?? []).filter((s) => s.state !== state)
    return { ...device, signs: text ? [...others, { state, seen: text }] : others }
  })
}
</script>

<template>
  <p class="quiet small">Leave blank if the manual does not say.</p>
  <div class="fields three">
    <TypedText
      v-for="s in states"
      :key="s.value"
      :label="`When ${s.words}`"
      :field="`sign-${s.value}`"
      :value="seen(s.value)"
      placeholder="solid green"
      @change="take(s.value, $event)"
    />
  </div>
</template>

<style scoped src="./describe.css"></style>
