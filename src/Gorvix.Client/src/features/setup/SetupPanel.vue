<script setup lang="ts">
import { computed } from 'vue'
import type { HouseRules, Setup } from '@/api/client'
import LineField from '@/ui/LineField.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import SidePanel from '@/ui/SidePanel.vue'
import { useChoices } from '@/ui/useChoices'
import RadioFields from './RadioFields.vue'
import VoltsField from './VoltsField.vue'

/** Supply, firmware and house rules of the build. Every choice plans again at once. */
const props = defineProps<{ setup: Setup; undo: string | null }>()
const emit = defineEmits<{ change: [setup: Setup]; undo: []; close: [] }>()

const { choices, problem } = useChoices()
const profile = computed(() => choices.value?.profiles.find((p) => p.id === props.setup.firmware))
const cells = computed(() => [
  { value: '', words: 'not chosen yet' },
  ...(choices.value?.pack.cells ?? []),
])
const firmwares = computed(() => [
  { id: '', name: 'not chosen: every job is possible' },
  ...(choices.value?.profiles ?? []),
])
const chemistry = computed(
  () => props.setup.pack?.chemistry ?? choices.value?.pack.chemistries[0]?.value,
)

function set(part: Partial<Setup>) {
  emit('change', { ...props.setup, ...part })
}

function setPack(cells: string, chemistry: string | undefined) {
  set({ pack: cells === '' ? null : { cells: Number(cells), chemistry: chemistry as 'lithium' } })
}

function setHouse(rule: string, school: string | null) {
  set({ house: { ...props.setup.house, [rule]: school } })
}

function chosen(rule: string) {
  return props.setup.house?.[rule as keyof HouseRules]
}
</script>

<template>
  <SidePanel title="Set-up" :undo="undo" @undo="$emit('undo')" @close="$emit('close')">
    <ProblemNote v-if="problem" title="The choices cannot be shown" :problem="problem" />
    <section>
      <h3>Supply</h3>
      <div class="row">
        <LineField v-slot="{ id }" label="Pack">
          <v-select
            :id="id"
            data-field="cells"
            :items="cells"
            item-title="words"
            :model-value="String(setup.pack?.cells ?? '')"
            @update:model-value="setPack($event, chemistry)"
          />
        </LineField>
        <LineField v-slot="{ id }" label="Cells">
          <v-select
            :id="id"
            data-field="chemistry"
            :items="choices?.pack.chemistries ?? []"
            item-title="words"
            :disabled="!setup.pack"
            :model-value="chemistry"
            @update:model-value="setPack(String(setup.pack?.cells), $event)"
          />
        </LineField>
      </div>
      <VoltsField :volts="setup.inputVolts ?? null" @change="set({ inputVolts: $event })" />
      <p class="quiet small">{{ choices?.pack.note }}</p>
    </section>

    <section>
      <h3>Firmware of the board</h3>
      <LineField v-slot="{ id }" label="Firmware" quiet>
        <v-select
          :id="id"
          data-field="firmware"
          :items="firmwares"
          item-title="name"
          item-value="id"
          :model-value="setup.firmware ?? ''"
          @update:model-value="set({ firmware: $event || null })"
        />
      </LineField>
      <ul v-if="profile" class="small quiet">
        <li v-for="note in profile.notes" :key="note">{{ note }}</li>
      </ul>
    </section>

    <section>
      <h3>The radio's side</h3>
      <RadioFields :radio="setup.radio ?? null" @change="set({ radio: $event })" />
    </section>

    <section>
      <h3>House rules</h3>
      <p class="quiet small">Builders disagree here. Both sides have their reason; you decide.</p>
      <v-radio-group
        v-for="dispute in choices?.disputes"
        :key="dispute.id"
        class="dispute"
        :data-rule="dispute.id"
        :label="dispute.title"
        :model-value="chosen(dispute.id)"
        @update:model-value="setHouse(dispute.id, $event)"
      >
        <v-radio v-for="school in dispute.schools" :key="school.value" :value="school.value">
          <template #label>
            <span class="school" :class="{ chosen: chosen(dispute.id) === school.value }"
              ><span class="name">{{ school.name }}</span>
              <span class="reason">{{ school.reason }}</span></span
            >
          </template>
        </v-radio>
      </v-radio-group>
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
  margin-bottom: 8px;
}

.small {
  margin-top: 4px;
  font-size: 0.875rem;
}

.dispute {
  margin-top: 12px;
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
  line-height: 1.25;
}
</style>
