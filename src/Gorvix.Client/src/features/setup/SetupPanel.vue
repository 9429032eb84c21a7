<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { HouseRules, Setup } from '@/api/client'
import ProblemNote from '@/ui/ProblemNote.vue'
import SidePanel from '@/ui/SidePanel.vue'
import { useChoices } from '@/ui/useChoices'

/** Supply, firmware and house rules of the build. Every choice plans again at once. */
const props = defineProps<{ setup: Setup; undo: string | null }>()
const emit = defineEmits<{ change: [setup: Setup]; undo: []; close: [] }>()

const { choices, problem } = useChoices()
const cells = computed(() => props.setup.pack?.cells ?? null)
const profile = computed(() => choices.value?.profiles.find((p) => p.id === props.setup.firmware))
const volts = ref('')
watch(
  () => props.setup.inputVolts,
  (now) => (volts.value = now == null ? '' : String(now)),
  { immediate: true },
)
const badVolts = computed(() => volts.value.trim() !== '' && !(Number(volts.value) > 0))

function set(part: Partial<Setup>) {
  emit('change', { ...props.setup, ...part })
}

function setCells(value: string) {
  const chemistry = props.setup.pack?.chemistry ?? 'lithium'
  set({ pack: value === '' ? null : { cells: Number(value), chemistry } })
}

function setVolts() {
  if (badVolts.value) return
  set({ inputVolts: volts.value.trim() === '' ? null : Number(volts.value) })
}

const radio = computed(() => props.setup.radio ?? null)
const bay = ref('')
const packets = ref('')
watch(
  radio,
  (now) => {
    bay.value = now ? String(now.bayBaud) : ''
    packets.value = now ? String(now.packetHertz) : ''
  },
  { immediate: true },
)
/** Both or neither: half of it says nothing. */
const halfRadio = computed(() => (bay.value.trim() === '') !== (packets.value.trim() === ''))
const badRadio = computed(() =>
  [bay.value, packets.value].some((t) => t.trim() !== '' && !/^[0-9]+$/.test(t.trim())),
)

function setRadio() {
  if (halfRadio.value || badRadio.value) return
  const empty = bay.value.trim() === ''
  set({
    radio: empty ? null : { bayBaud: Number(bay.value), packetHertz: Number(packets.value) },
  })
}

function setHouse(rule: string, school: string) {
  set({ house: { ...props.setup.house, [rule]: school } })
}

function isChosen(rule: string, school: string) {
  return props.setup.house?.[rule as keyof HouseRules] === school
}
</script>

<template>
  <SidePanel title="Set-up" :undo="undo" @undo="$emit('undo')" @close="$emit('close')">
    <ProblemNote v-if="problem" title="The choices cannot be shown" :problem="problem" />
    <section>
      <h3>Supply</h3>
      <div class="row">
        <label class="field"
          >Pack
          <select
            id="cells"
            :value="cells ?? ''"
            @change="setCells(($event.target as HTMLSelectElement).value)"
          >
            <option value="">not chosen yet</option>
            <option v-for="n in 14" :key="n" :value="n">{{ n }}S</option>
          </select>
        </label>
        <label class="field"
          >Cells
          <select
            id="chemistry"
            :disabled="!setup.pack"
            :value="setup.pack?.chemistry ?? 'lithium'"
            @change="
              set({
                pack: {
                  cells: cells ?? 1,
                  chemistry: ($event.target as HTMLSelectElement).value as 'lithium',
                },
              })
            "
          >
            <option value="lithium">4.20 V full</option>
            <option value="highVoltage">4.35 V full</option>
          </select>
        </label>
        <label class="field"
          >Board fed with, V
          <input
            id="input-volts"
            v-model="volts"
            inputmode="decimal"
            placeholder="the pack"
            :aria-invalid="badVolts"
            @change="setVolts"
          />
        </label>
      </div>
      <p v-if="badVolts" class="bad" role="alert">
        Volts are a number above zero, such as 5. Leave it empty when the pack feeds the board.
      </p>
      <p v-else class="quiet small">
        A pack is judged full and empty (3.3 V a cell). Boards without a regulator are fed from one
        of their own.
      </p>
    </section>

    <section>
      <h3>Firmware of the board</h3>
      <label class="field wide"
        ><span class="visually-hidden">Firmware</span>
        <select
          id="firmware"
          :value="setup.firmware ?? ''"
          @change="set({ firmware: ($event.target as HTMLSelectElement).value || null })"
        >
          <option value="">not chosen: every job is possible</option>
          <option v-for="p in choices?.profiles" :key="p.id" :value="p.id">{{ p.name }}</option>
        </select>
      </label>
      <ul v-if="profile" class="small quiet">
        <li v-for="note in profile.notes" :key="note">{{ note }}</li>
      </ul>
    </section>

    <section>
      <h3>The radio's side</h3>
      <div class="row">
        <label class="field"
          >Module bay keeps, baud
          <input
            id="bay"
            v-model="bay"
            inputmode="numeric"
            placeholder="not known"
            @change="setRadio"
          />
        </label>
        <label class="field"
          >Packets a second
          <input
            id="packets"
            v-model="packets"
            inputmode="numeric"
            placeholder="not known"
            @change="setRadio"
          />
        </label>
      </div>
      <p v-if="badRadio" class="bad" role="alert">
        Both are whole numbers, such as 400000 and 250.
      </p>
      <p v-else-if="halfRadio" class="quiet small">Give both, or leave both empty.</p>
      <p v-else class="quiet small">
        A bay that does not keep the fast rate of the link is set to a slower one, and loses
        telemetry where the packets come too fast for that.
      </p>
    </section>

    <section>
      <h3>House rules</h3>
      <p class="quiet small">Builders disagree here. Both sides have their reason; you decide.</p>
      <fieldset v-for="dispute in choices?.disputes" :key="dispute.id" :data-rule="dispute.id">
        <legend>{{ dispute.title }}</legend>
        <label
          v-for="school in dispute.schools"
          :key="school.value"
          class="school"
          :class="{ chosen: isChosen(dispute.id, school.value) }"
        >
          <input
            type="radio"
            :name="dispute.id"
            :value="school.value"
            :checked="isChosen(dispute.id, school.value)"
            @change="setHouse(dispute.id, school.value)"
          />
          <span
            ><span class="name">{{ school.name }}</span>
            <span class="reason">{{ school.reason }}</span></span
          >
        </label>
      </fieldset>
    </section>
  </SidePanel>
</template>

<style scoped>
section {
  margin-bottom: 20px;
}

h3 {
  margin-bottom: 4px;
  font-size: 1.0625rem;
  font-weight: 650;
}

.row {
  display: flex;
  gap: 12px;
}

.row .field {
  flex: 1;
}

.small {
  margin-top: 4px;
  font-size: 0.875rem;
}

.bad {
  margin-top: 4px;
  color: var(--stop);
  font-size: 0.9375rem;
}

fieldset {
  margin: 12px 0 0;
  padding: 0;
  border: 0;
}

legend {
  padding: 0;
  font-size: 0.9375rem;
  font-weight: 600;
}

.school {
  display: flex;
  gap: 10px;
  padding: 6px 10px;
  border: 1px solid var(--line);
  border-top-width: 0;
  line-height: 1.25;
  cursor: pointer;
}

legend + .school {
  border-top-width: 1px;
}

.school.chosen {
  box-shadow: inset 3px 0 0 var(--chosen);
}

.school input {
  flex: none;
  width: 18px;
  height: 18px;
  margin: 1px 0 0;
  accent-color: var(--chosen);
}

.name {
  display: block;
  font-weight: 600;
}

.chosen .name {
  color: var(--chosen);
}

.reason {
  display: block;
  color: var(--ink-2);
  font-size: 0.875rem;
}
</style>
