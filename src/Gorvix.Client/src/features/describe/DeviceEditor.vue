<script setup lang="ts">
import { useTitle } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type Device, type DeviceChoices, type DeviceStep } from '@/api/client'
import LineField from '@/ui/LineField.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import { useScreenKeys } from '@/ui/useScreenKeys'
import { useLibrary } from '@/stores/library'
import FeedStep from './FeedStep.vue'
import HarnessStep from './HarnessStep.vue'
import LeadsStep from './LeadsStep.vue'
import ModesStep from './ModesStep.vue'
import PresetList from './PresetList.vue'
import SaveBox from './SaveBox.vue'
import SignsStep from './SignsStep.vue'
import StepNotes from './StepNotes.vue'
import TypedNumber from './TypedNumber.vue'
import TypedText from './TypedText.vue'
import { useDeviceDraft } from './useDeviceDraft'

/** A device described from the pattern of its kind. */
const props = defineProps<{ id: string | null; from: string | null }>()
const router = useRouter()
const library = useLibrary()
const draft = useDeviceDraft(props.id, props.from)
const { answer: look, part: device, notesAt, change } = draft
const choices = shallowRef<DeviceChoices | null>(null)
const busy = ref(false)

void ask(() => api.GET('/api/describe/device/choices')).then(({ data, problem }) => {
  choices.value = data
  draft.problem.value ??= problem
})

const isEmpty = computed(() => (device.value?.leads.length ?? 0) === 0)
const patterned = computed(() => !props.id && !props.from && isEmpty.value)
const name = computed(() => {
  const d = device.value
  return d && (d.maker || d.name) ? `${d.maker} ${d.name}`.trim() : 'New device'
})
const memories = [
  { value: null, title: 'unknown' },
  { value: 'saves', title: 'saves settings' },
  { value: 'loses', title: 'loses settings without power' },
]
const shown = (step: DeviceStep) =>
  notesAt(step).filter((n) => draft.begun.value || n.severity === 'note')
const stops = computed(() => look.value?.notes.filter((n) => n.severity === 'stop').length ?? 0)

function begin(id: string) {
  const preset = choices.value?.patterns.find((p) => p.id === id)?.device
  if (preset)
    void change((d) => ({ ...structuredClone(preset), maker: d.maker, name: d.name, id: d.id }))
}
function set(next: Partial<Device>) {
  void change((d) => ({ ...d, ...next }))
}
function edit(next: (device: Device) => Device) {
  void change(next)
}
async function save() {
  busy.value = true
  const id = await draft.save()
  busy.value = false
  if (!id) return
  await library.load()
  await router.push({ name: 'part', params: { type: 'devices', id } })
}
useScreenKeys({ z: () => void draft.undo() })
useTitle(computed(() => `${name.value} – Device editor – Gorvix`))
</script>

<template>
  <main class="describe">
    <p class="back"><RouterLink :to="{ name: 'library' }">Parts library</RouterLink></p>
    <div class="top">
      <h1>{{ id ? `Edit ${name}` : name }}</h1>
      <v-btn size="small" :disabled="!draft.canUndo.value" data-do="undo" @click="draft.undo"
        >Undo <v-kbd>Z</v-kbd></v-btn
      >
    </div>
    <ProblemNote
      v-if="!look && draft.problem.value"
      title="Could not load device"
      :problem="draft.problem.value"
    >
      <v-btn :to="{ name: 'library' }">Back to library</v-btn>
    </ProblemNote>
    <div v-if="look && device && choices" class="columns">
      <div class="steps">
        <section v-if="patterned" data-step="pattern">
          <h2>Choose a preset</h2>
          <p class="quiet small">
            Presets fill in typical leads and modes. Correct them from the manual.
          </p>
          <PresetList :presets="choices.patterns" @choose="begin" />
        </section>
        <template v-else>
          <section data-step="identity">
            <h2><span class="number">1</span> Device</h2>
            <div class="fields three">
              <TypedText
                label="Maker"
                field="maker"
                :value="device.maker"
                @change="set({ maker: $event })"
              />
              <TypedText
                label="Name"
                field="name"
                :value="device.name"
                @change="set({ name: $event })"
              />
              <LineField v-slot="{ id: field }" label="Type">
                <v-autocomplete
                  :id="field"
                  data-field="kind"
                  :items="choices.kinds"
                  item-title="words"
                  item-value="value"
                  :model-value="device.kind"
                  @update:model-value="$event && set({ kind: $event })"
                />
              </LineField>
            </div>
            <div v-if="device.kind === 'esc'" class="fields three">
              <TypedNumber
                label="ESC count"
                field="pieces"
                :value="device.units ?? 1"
                @change="set({ units: $event ?? 1 })"
              />
            </div>
            <div v-if="device.kind === 'gnss'" class="fields three">
              <LineField v-slot="{ id: field }" label="Settings memory">
                <v-select
                  :id="field"
                  data-field="memory"
                  :items="memories"
                  :model-value="device.memory ?? null"
                  @update:model-value="set({ memory: $event })"
                />
              </LineField>
            </div>
            <StepNotes :notes="shown('identity')" />
          </section>
          <section data-step="leads">
            <h2><span class="number">2</span> Leads and plug</h2>
            <LeadsStep :device="device" @change="edit" />
            <HarnessStep :device="device" @change="edit" />
            <StepNotes :notes="shown('leads')" />
          </section>
          <section data-step="supply">
            <h2><span class="number">3</span> Supply</h2>
            <FeedStep :device="device" @change="edit" />
            <StepNotes :notes="shown('supply')" />
          </section>
          <section data-step="modes">
            <h2><span class="number">4</span> Functions and modes</h2>
            <ModesStep :device="device" :looks="look.modes" :choices="choices" @change="edit" />
            <StepNotes :notes="shown('modes')" />
          </section>
          <section data-step="signs">
            <h2><span class="number">5</span> Status lights</h2>
            <SignsStep :device="device" :states="choices.states" @change="edit" />
          </section>
        </template>
      </div>
      <aside>
        <SaveBox
          :is-new="!id"
          hint="Choose the closest preset; everything can be edited."
          :usable="look.usable"
          :stops="stops"
          :touched="draft.touched.value"
          :problem="draft.problem.value"
          :begun="draft.begun.value"
          :busy="busy"
          @save="save"
          @reset="draft.reset"
          @adopt="draft.adopt"
        />
      </aside>
    </div>
    <v-skeleton-loader v-else-if="!draft.problem.value" type="article@2" />
  </main>
</template>

<style scoped src="./describe.css"></style>
