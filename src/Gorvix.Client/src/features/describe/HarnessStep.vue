<script setup lang="ts">
import type { Device } from '@/api/client'
import { limits } from '@/api/limits'
import LineField from '@/ui/LineField.vue'
import TypedText from './TypedText.vue'

/** The harnesses that a device comes with, where a lead is in one of them only; each has its own plug. */
const props = defineProps<{ device: Device }>()
const emit = defineEmits<{ change: [edit: (device: Device) => Device] }>()
type Harness = NonNullable<Device['harnesses']>[number]

const labelOf = (id: string | null | undefined) =>
  id ? (props.device.leads.find((l) => l.id === id)?.label ?? id) : '-'

function set(id: string, next: Partial<Harness>) {
  emit('change', (d) => ({
    ...d,
    harnesses: (d.harnesses ?? []).map((h) => (h.id === id ? { ...h, ...next } : h)),
  }))
}
/** The first one takes the plug that the device had. */
function add() {
  emit('change', (d) => {
    const there = d.harnesses ?? []
    let n = there.length + 1
    while (there.some((h) => h.id === `harness-${n}`)) n++
    return {
      ...d,
      plug: null,
      harnesses: [
        ...there,
        {
          id: `harness-${n}`,
          name: `harness ${n}`,
          leads: d.leads.map((l) => l.id),
          plug: d.plug ?? null,
        },
      ],
    }
  })
}
/** With the last one its plug goes back to the device. */
function remove(h: Harness) {
  emit('change', (d) => {
    const harnesses = (d.harnesses ?? []).filter((x) => x.id !== h.id)
    return { ...d, harnesses, plug: harnesses.length === 0 ? (h.plug ?? null) : null }
  })
}
/** Cavities by the labels of their leads, a dash for an empty one; a label that is none stays empty. */
function pins(h: Harness, text: string) {
  const words = text.trim().split(/\s+/).filter(Boolean)
  const used = new Set<string>()
  const next = words.map((w) => {
    const lead = props.device.leads.find(
      (l) => l.label.toLowerCase() === w.toLowerCase() && h.leads.includes(l.id) && !used.has(l.id),
    )
    if (lead) used.add(lead.id)
    return { lead: lead?.id ?? null }
  })
  set(h.id, {
    plug: next.length === 0 ? null : { family: h.plug?.family ?? '', pins: next },
  })
}
</script>

<template>
  <div v-for="h in device.harnesses ?? []" :key="h.id" class="harness" :data-harness="h.id">
    <div class="fields two">
      <TypedText
        label="Harness"
        field="harness-name"
        :value="h.name"
        @change="$event && set(h.id, { name: $event })"
      />
      <LineField v-slot="{ id }" label="Leads">
        <v-select
          :id="id"
          data-field="harness-leads"
          multiple
          :items="device.leads"
          item-title="label"
          item-value="id"
          :model-value="h.leads"
          @update:model-value="set(h.id, { leads: $event })"
        />
      </LineField>
      <TypedText
        label="Plug pinout"
        field="harness-pins"
        :value="(h.plug?.pins ?? []).map((p) => labelOf(p.lead)).join(' ')"
        placeholder="bare leads"
        @change="pins(h, $event)"
      />
      <TypedText
        v-if="h.plug"
        label="Connector"
        field="harness-family"
        :value="h.plug.family"
        placeholder="1.25 mm, 6 pins"
        @change="set(h.id, { plug: { ...h.plug, family: $event } })"
      />
    </div>
    <v-btn size="small" variant="text" :aria-label="`Remove harness ${h.name}`" @click="remove(h)"
      >Remove harness</v-btn
    >
  </div>
  <v-btn
    v-if="device.leads.length > 0 && (device.harnesses ?? []).length < limits.harnesses"
    size="small"
    variant="text"
    data-do="add-harness"
    @click="add"
    >{{ (device.harnesses ?? []).length === 0 ? 'Add harness' : 'Add another harness' }}</v-btn
  >
</template>

<style scoped>
.harness {
  margin-top: 8px;
  padding: 4px 0 6px 12px;
  border-left: 3px solid var(--line);
}
</style>
