<script setup lang="ts">
import { computed } from 'vue'
import type { Device } from '@/api/client'
import { limits } from '@/api/limits'
import LineField from '@/ui/LineField.vue'
import TypedNumber from './TypedNumber.vue'
import TypedText from './TypedText.vue'

/** Leads in the order of the plug, and the plug itself. */
const props = defineProps<{ device: Device }>()
const emit = defineEmits<{ change: [edit: (device: Device) => Device] }>()
type Lead = Device['leads'][number]

const roles = [
  { value: 'supply', title: 'supply' },
  { value: 'ground', title: 'ground' },
  { value: 'signal', title: 'signal' },
  { value: 'video', title: 'video' },
  { value: 'sense', title: 'analogue sense' },
  { value: 'output', title: 'power output' },
]
const habits = [
  { value: 'unknown', title: 'unknown' },
  { value: 'asked', title: 'when polled' },
  { value: 'always', title: 'always' },
]
const boots = [
  { value: 'none', title: 'no requirement' },
  { value: 'high', title: 'held high' },
]
const wires = [
  { value: 'shared', title: 'one, shared' },
  { value: 'each', title: 'one per ESC' },
]
const pieces = computed(() => props.device.units ?? 1)
/** What is seldom said stands open where it is said. */
const isSaid = (l: Lead) => l.highFromVolts != null || l.atBoot === 'high' || l.wires === 'each'
const order = computed(() => props.device.plug?.pins.map((p) => p.lead ?? null) ?? [])
const pinOf = (id: string) => order.value.indexOf(id) + 1

function set(id: string, next: Partial<Lead>) {
  emit('change', (d) => ({
    ...d,
    leads: d.leads.map((l) => (l.id === id ? { ...l, ...next } : l)),
  }))
}
function add() {
  emit('change', (d) => {
    let n = d.leads.length + 1
    while (d.leads.some((l) => l.id === `lead-${n}`)) n++
    return { ...d, leads: [...d.leads, { id: `lead-${n}`, label: `${n}`, role: 'signal' }] }
  })
}
/** What is said of it goes with it: the server puts that in order. */
function remove(id: string) {
  emit('change', (d) => ({ ...d, leads: d.leads.filter((l) => l.id !== id) }))
}
function pin(id: string, value: number | null) {
  emit('change', (d) => {
    if (!d.plug) return d
    const pins = d.plug.pins.map((p) => (p.lead === id ? { lead: null } : { ...p }))
    if (value !== null && value >= 1 && value <= limits.pins) {
      while (pins.length < value) pins.push({ lead: null })
      pins[value - 1] = { lead: id }
    }
    return { ...d, plug: { ...d.plug, pins } }
  })
}
function plugged(yes: boolean) {
  emit('change', (d) => ({
    ...d,
    plug: yes
      ? {
          // The server knows what one of unknown pitch is called.
          family: '',
          pins: d.leads.map((l) => ({ lead: l.id })),
        }
      : null,
  }))
}
function family(value: string) {
  emit('change', (d) => (d.plug ? { ...d, plug: { ...d.plug, family: value } } : d))
}
</script>

<template>
  <div class="plug">
    <v-checkbox
      label="Leads end in plug"
      density="compact"
      data-field="plug"
      :model-value="device.plug != null"
      :disabled="(device.harnesses ?? []).length > 0"
      @update:model-value="plugged($event === true)"
    />
    <TypedText
      v-if="device.plug"
      label="Connector"
      field="family"
      :value="device.plug.family"
      placeholder="1.25 mm, 6 pins"
      @change="family"
    />
  </div>
  <div v-for="lead in device.leads" :key="lead.id" class="lead" :data-lead="lead.id">
    <div class="fields six">
      <TypedText
        label="Label"
        field="label"
        :value="lead.label"
        @change="set(lead.id, { label: $event })"
      />
      <LineField v-slot="{ id }" label="Role">
        <v-select
          :id="id"
          data-field="role"
          :items="roles"
          :model-value="lead.role"
          @update:model-value="set(lead.id, { role: $event })"
        />
      </LineField>
      <TypedText
        label="Colour"
        field="colour"
        :value="lead.colour"
        placeholder="unknown"
        @change="set(lead.id, { colour: $event || null })"
      />
      <TypedNumber
        v-if="device.plug"
        class="at-pin"
        label="Pin"
        field="pin"
        :value="pinOf(lead.id) || null"
        @change="pin(lead.id, $event)"
      />
      <TypedNumber
        v-if="lead.role === 'signal'"
        class="at-drives"
        label="Logic level, V"
        field="drives"
        :value="lead.driveVolts ?? limits.logicVolts"
        @change="set(lead.id, { driveVolts: $event ?? limits.logicVolts })"
      />
      <LineField v-if="lead.role === 'signal'" v-slot="{ id }" class="at-talks" label="Transmits">
        <v-select
          :id="id"
          data-field="talks"
          :items="habits"
          :model-value="lead.talks ?? 'unknown'"
          @update:model-value="set(lead.id, { talks: $event })"
        />
      </LineField>
    </div>
    <details v-if="lead.role === 'signal'" class="seldom" :open="isSaid(lead)" data-do="seldom">
      <summary :aria-label="`Special requirements of ${lead.label}`">Special requirements</summary>
      <div class="fields three">
        <TypedNumber
          label="Logic-high threshold, V"
          field="high-from"
          :value="lead.highFromVolts"
          @change="set(lead.id, { highFromVolts: $event })"
        />
        <LineField v-slot="{ id }" label="Needs at power-up">
          <v-select
            :id="id"
            data-field="at-boot"
            :items="boots"
            :model-value="lead.atBoot ?? 'none'"
            @update:model-value="set(lead.id, { atBoot: $event })"
          />
        </LineField>
        <LineField v-if="pieces > 1" v-slot="{ id }" label="Wires">
          <v-select
            :id="id"
            data-field="wires"
            :items="wires"
            :model-value="lead.wires ?? 'shared'"
            @update:model-value="set(lead.id, { wires: $event })"
          />
        </LineField>
      </div>
    </details>
    <v-btn
      size="small"
      variant="text"
      :aria-label="`Remove lead ${lead.label}`"
      @click="remove(lead.id)"
      >Remove lead</v-btn
    >
  </div>
  <v-btn size="small" data-do="add-lead" @click="add">Add lead</v-btn>
</template>

<style scoped>
.plug {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: end;
}

.lead {
  display: flex;
  gap: 4px;
  align-items: end;
  border-top: 1px solid var(--line-faint);
}

.lead {
  flex-wrap: wrap;
  padding-bottom: 8px;
}

.lead > .fields {
  flex: 1 1 440px;
}

.seldom {
  order: 1;
  flex: 1 0 100%;
}

.seldom summary {
  display: inline-block;
  min-height: 28px;
  color: var(--ink-2);
  font-size: 0.9375rem;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
  cursor: pointer;
}
</style>
