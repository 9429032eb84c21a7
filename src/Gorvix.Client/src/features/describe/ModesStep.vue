<script setup lang="ts">
import type { Device, DeviceChoices, ModeLook } from '@/api/client'
import LineField from '@/ui/LineField.vue'
import PulseGlyph from '@/ui/PulseGlyph.vue'
import RideFields from './RideFields.vue'
import StrapFields from './StrapFields.vue'
import { listed } from './listed'
import TypedNumber from './TypedNumber.vue'
import { readings } from './readings'
import TypedText from './TypedText.vue'

/** What the device gives, in which modes; beside each mode what becomes of it on pads of both sorts of controller. */
const props = defineProps<{ device: Device; looks: ModeLook[]; choices: DeviceChoices }>()
const emit = defineEmits<{ change: [edit: (device: Device) => Device] }>()
type Function = Device['functions'][number]
type Mode = Function['modes'][number]
type Line = Mode['lines'][number]

const flows = [
  { value: 'out', title: 'device transmits' },
  { value: 'in', title: 'board transmits' },
  { value: 'both', title: 'half-duplex' },
]
const lookOf = (f: Function, m: Mode) =>
  props.looks.find((l) => l.function === f.id && l.mode === m.id)
const protocolOf = (m: Mode) => props.choices.protocols.find((p) => p.id === m.protocol)
const labelOf = (lead: string) => props.device.leads.find((l) => l.id === lead)?.label ?? lead
const wordsOf = (need: string) => props.choices.needs.find((n) => n.value === need)?.words ?? need

function gives(need: Function['gives']) {
  emit('change', (d) => ({
    ...d,
    functions: [...d.functions, { id: freeId(d, need), gives: need, modes: [] }],
  }))
}
function freeId(d: Device, need: string) {
  let id = need
  for (let n = 2; d.functions.some((f) => f.id === id); n++) id = `${need}-${n}`
  return id
}
function drop(f: Function) {
  emit('change', (d) => ({ ...d, functions: d.functions.filter((x) => x.id !== f.id) }))
}
function edit(f: Function, next: (modes: Mode[]) => Mode[]) {
  emit('change', (d) => ({
    ...d,
    functions: d.functions.map((x) => (x.id === f.id ? { ...x, modes: next(x.modes) } : x)),
  }))
}
function set(f: Function, m: Mode, next: Partial<Mode>) {
  edit(f, (modes) => modes.map((x) => (x.id === m.id ? { ...x, ...next } : x)))
}
function addMode(f: Function) {
  edit(f, (modes) => {
    let n = modes.length + 1
    while (modes.some((m) => m.id === `mode-${n}`)) n++
    return [...modes, { id: `mode-${n}`, name: 'SBUS', protocol: 'SBUS', lines: [] }]
  })
}
/** A mode that is still called after its protocol is called after the new one. */
function protocol(f: Function, m: Mode, value: string) {
  const next = props.choices.protocols.find((p) => p.id === value)
  set(f, m, {
    protocol: value,
    name: m.name === (protocolOf(m)?.name ?? m.protocol) ? (next?.name ?? value) : m.name,
    bauds: [],
    address: next?.bus ? (m.address ?? null) : null,
  })
}
function line(f: Function, m: Mode, lead: string, next: Partial<Line> | null) {
  set(f, m, {
    lines: next
      ? m.lines.map((l) => (l.lead === lead ? { ...l, ...next } : l))
      : m.lines.filter((l) => l.lead !== lead),
  })
}
/** What was written down is in view. */
const isTold = (m: Mode) =>
  [m.firmware, m.packetHertz, m.setting, ...(m.loses ?? []), ...(m.carries ?? [])].some(
    (x) => x != null,
  ) || (m.straps ?? []).length > 0
/** Opened by what stands in it, it stays open while that is changed. */
const opened = new Set<string>()
function isOpen(f: Function, m: Mode) {
  if (isTold(m)) opened.add(`${f.id} ${m.id}`)
  return opened.has(`${f.id} ${m.id}`)
}
const free = (m: Mode) =>
  props.device.leads
    .filter((l) => !['supply', 'ground', 'output'].includes(l.role))
    .filter((l) => !m.lines.some((x) => x.lead === l.id))
    .map((l) => ({ value: l.id, title: l.label }))
function turn(f: Function, m: Mode, l: Line) {
  const seen = lookOf(f, m)?.lines.find((x) => x.lead === labelOf(l.lead))
  if (!seen) return
  const next = seen.polarity === 'normal' ? 'inverted' : 'normal'
  line(f, m, l.lead, { polarity: next === seen.usual ? null : next })
}
const polarityOf = (f: Function, m: Mode, l: Line) =>
  lookOf(f, m)?.lines.find((x) => x.lead === labelOf(l.lead))?.polarity
</script>

<template>
  <section v-for="f in device.functions" :key="f.id" class="function" :data-function="f.id">
    <div class="head">
      <h3>{{ wordsOf(f.gives) }}</h3>
      <v-btn
        size="small"
        variant="text"
        :aria-label="`Remove function: ${wordsOf(f.gives)}`"
        @click="drop(f)"
        >Remove function</v-btn
      >
    </div>
    <p v-if="f.modes.length === 0" class="quiet">
      No wires: in-band over another link, or no mode yet.
    </p>
    <div v-for="m in f.modes" :key="m.id" class="mode" :data-mode="m.id">
      <div class="fields two">
        <LineField v-slot="{ id }" label="Protocol">
          <v-autocomplete
            :id="id"
            data-field="protocol"
            :items="choices.protocols"
            item-title="name"
            item-value="id"
            :model-value="m.protocol"
            auto-select-first
            @update:model-value="$event && protocol(f, m, $event)"
          />
        </LineField>
        <TypedText
          label="Mode name"
          field="mode-name"
          :value="m.name"
          @change="set(f, m, { name: $event })"
        />
      </div>
      <ul class="lines">
        <li v-for="l in m.lines" :key="l.lead" :data-line="l.lead">
          <span class="label">{{ labelOf(l.lead) }}</span>
          <v-select
            class="flow"
            :aria-label="`Direction on ${labelOf(l.lead)}`"
            :items="flows"
            :model-value="l.flow"
            @update:model-value="line(f, m, l.lead, { flow: $event })"
          />
          <v-btn
            v-if="polarityOf(f, m, l)"
            size="small"
            :aria-label="`${labelOf(l.lead)} idles ${polarityOf(f, m, l) === 'normal' ? 'high' : 'low'}; invert`"
            data-do="turn"
            @click="turn(f, m, l)"
          >
            <PulseGlyph :polarity="polarityOf(f, m, l) ?? 'normal'" />
            <span class="idle">idles {{ polarityOf(f, m, l) === 'normal' ? 'high' : 'low' }}</span>
          </v-btn>
          <v-btn
            size="small"
            variant="text"
            :aria-label="`Remove ${labelOf(l.lead)} from ${m.name}`"
            @click="line(f, m, l.lead, null)"
            >−</v-btn
          >
        </li>
        <li v-if="free(m).length > 0">
          <v-select
            class="flow"
            data-field="add-line"
            :aria-label="`Add lead to ${m.name}`"
            placeholder="add lead…"
            :items="free(m)"
            :model-value="null"
            @update:model-value="
              $event && set(f, m, { lines: [...m.lines, { lead: $event, flow: 'out' }] })
            "
          />
        </li>
      </ul>
      <div class="fields four">
        <TypedNumber
          v-if="protocolOf(m)?.bus"
          label="Bus address"
          field="address"
          hex
          :value="m.address"
          @change="set(f, m, { address: $event })"
        />
        <LineField v-if="m.protocol === 'Level in'" v-slot="{ id }" label="Reads">
          <v-select
            :id="id"
            data-field="reads"
            :items="readings"
            :model-value="m.reads ?? null"
            @update:model-value="set(f, m, { reads: $event })"
          />
        </LineField>
        <LineField
          v-if="(protocolOf(m)?.bauds.length ?? 0) > 1"
          v-slot="{ id }"
          class="wide"
          label="Baud rates, default first"
        >
          <v-select
            :id="id"
            data-field="bauds"
            multiple
            placeholder="default"
            :items="protocolOf(m)?.bauds ?? []"
            :model-value="m.bauds ?? []"
            @update:model-value="set(f, m, { bauds: $event })"
          />
        </LineField>
      </div>
      <details class="advanced" :data-advanced="m.id" :open="isOpen(f, m)">
        <summary>Advanced: firmware, settings, in-band functions</summary>
        <div class="fields four">
          <TypedText
            label="Firmware from"
            field="firmware"
            :value="m.firmware"
            placeholder="any"
            @change="set(f, m, { firmware: $event || null })"
          />
          <TypedNumber
            v-if="protocolOf(m)?.serial"
            label="Frame rate, Hz"
            field="packets"
            :value="m.packetHertz"
            @change="set(f, m, { packetHertz: $event })"
          />
        </div>
        <div class="fields two">
          <TypedText
            label="Device setting"
            field="setting"
            :value="m.setting"
            placeholder="factory default"
            @change="set(f, m, { setting: $event || null })"
          />
          <TypedText
            label="Not available"
            field="loses"
            :value="(m.loses ?? []).join('; ')"
            placeholder="none"
            @change="set(f, m, { loses: listed($event) })"
          />
        </div>
        <RideFields
          v-if="protocolOf(m)?.serial"
          :device="device"
          :of="f.id"
          :mode="m"
          @set="set(f, m, $event)"
        />
        <StrapFields v-if="protocolOf(m)?.bus" :mode="m" @set="set(f, m, $event)" />
      </details>
      <ul v-if="lookOf(f, m)" class="pads" :data-pads="m.id">
        <li v-for="sentence in lookOf(f, m)?.onPads" :key="sentence">{{ sentence }}</li>
      </ul>
      <v-btn
        size="small"
        variant="text"
        :aria-label="`Remove mode ${m.name}`"
        @click="edit(f, (modes) => modes.filter((x) => x.id !== m.id))"
        >Remove mode</v-btn
      >
    </div>
    <v-btn size="small" :data-do="`add-mode-${f.id}`" @click="addMode(f)">Add mode</v-btn>
  </section>
  <LineField v-slot="{ id }" label="Add function">
    <v-autocomplete
      :id="id"
      data-field="gives"
      placeholder="choose…"
      :items="choices.needs"
      item-title="words"
      item-value="value"
      :model-value="null"
      auto-select-first
      @update:model-value="$event && gives($event)"
    />
  </LineField>
</template>

<style scoped>
.function {
  margin-bottom: 12px;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}

.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
}

h3 {
  font-weight: 650;
}

.mode {
  padding: 6px 0 8px 12px;
  border-left: 3px solid var(--line);
}

.mode + .mode {
  margin-top: 10px;
}

.lines li {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  min-height: 46px;
}

.lines .label {
  min-width: 60px;
  font-weight: 600;
}

.flow {
  flex: 0 1 190px;
}

.advanced summary {
  min-height: 32px;
  padding-top: 6px;
  cursor: pointer;
}

.idle {
  margin-left: 6px;
}

.pads {
  margin-top: 6px;
  color: var(--ink-2);
  font-size: 0.9375rem;
}
</style>
