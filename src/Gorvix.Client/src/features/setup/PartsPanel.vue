<script setup lang="ts">
import { computed, ref } from 'vue'
import type { FitView, PartChoice, PartsChange, Priority } from '@/api/client'
import ProblemNote from '@/ui/ProblemNote.vue'
import SidePanel from '@/ui/SidePanel.vue'
import { useChoices } from '@/ui/useChoices'

/** Board, devices and wished links of the build. Every change plans again at once and can be undone. */
const props = defineProps<{ view: FitView }>()
const emit = defineEmits<{ change: [change: PartsChange]; undo: []; close: [] }>()

const { choices, problem } = useChoices()
const added = ref('')
const board = computed(() => choices.value?.boards.find((b) => b.id === props.view.boardPart))

const devices = computed(() =>
  props.view.devices.map((device) => {
    const part = choices.value?.devices.find((d) => d.id === device.part)
    const wants = props.view.wants.filter((w) => w.device === device.id)
    return {
      ...device,
      part,
      alike: choices.value?.devices.filter((d) => d.kind === part?.kind) ?? [],
      wants: wants.map((w) => ({ ...w, need: needOf(part, w.function) })),
      more: part?.functions.filter((f) => !wants.some((w) => w.function === f.id)) ?? [],
    }
  }),
)

function needOf(part: PartChoice | undefined, id: string) {
  return part?.functions.find((f) => f.id === id)?.need ?? id
}

function add() {
  if (added.value === '') return
  emit('change', { kind: 'addDevice', part: added.value })
  added.value = ''
}

function valueOf(event: Event) {
  return (event.target as HTMLSelectElement).value
}
</script>

<template>
  <SidePanel title="Parts" :undo="view.undo ?? null" @undo="$emit('undo')" @close="$emit('close')">
    <ProblemNote v-if="problem" title="The library cannot be shown" :problem="problem" />
    <section>
      <h3>Board</h3>
      <label class="field wide"
        ><span class="visually-hidden">Board</span>
        <select
          id="board"
          :value="view.boardPart"
          @change="emit('change', { kind: 'takeBoard', part: valueOf($event) })"
        >
          <option v-for="b in choices?.boards" :key="b.id" :value="b.id">{{ b.name }}</option>
        </select>
      </label>
      <p v-for="note in board?.notes" :key="note" class="quiet small">{{ note }}</p>
    </section>

    <section v-for="device in devices" :key="device.id" :data-device="device.id">
      <h3 class="label">{{ device.id }}</h3>
      <div class="line">
        <label class="field wide"
          ><span class="visually-hidden">Part for {{ device.id }}</span>
          <select
            :value="device.part?.id ?? ''"
            @change="emit('change', { kind: 'takePart', device: device.id, part: valueOf($event) })"
          >
            <option v-for="d in device.alike" :key="d.id" :value="d.id">{{ d.name }}</option>
          </select>
        </label>
        <button
          type="button"
          class="text-button"
          :aria-label="`Remove ${device.id}`"
          @click="emit('change', { kind: 'removeDevice', device: device.id })"
        >
          Remove
        </button>
      </div>
      <p v-for="note in device.part?.notes" :key="note" class="quiet small">{{ note }}</p>
      <label v-if="device.part && device.part.harnesses.length > 0" class="field wide"
        >Harness
        <select
          :value="device.harness ?? device.part.harnesses[0]?.id"
          :data-harness="device.id"
          @change="
            emit('change', { kind: 'takeHarness', device: device.id, harness: valueOf($event) })
          "
        >
          <option v-for="h in device.part.harnesses" :key="h.id" :value="h.id">{{ h.name }}</option>
        </select>
      </label>
      <div v-for="want in device.wants" :key="want.link" class="line want">
        <span class="need">{{ want.need }}</span>
        <label class="field"
          ><span class="visually-hidden">How much {{ want.link }} is wished for</span>
          <select
            :value="want.priority"
            @change="
              emit('change', {
                kind: 'setPriority',
                link: want.link,
                priority: valueOf($event) as Priority,
              })
            "
          >
            <option value="must">must</option>
            <option value="want">want</option>
            <option value="nice">nice</option>
          </select>
        </label>
        <button
          type="button"
          class="text-button"
          :aria-label="`Remove the link ${want.link}`"
          @click="emit('change', { kind: 'removeLink', link: want.link })"
        >
          Remove
        </button>
      </div>
      <div v-for="f in device.more" :key="f.id" class="line want">
        <span class="need quiet">{{ f.need }}</span>
        <button
          type="button"
          class="text-button"
          :data-wish="`${device.id} ${f.id}`"
          @click="emit('change', { kind: 'addLink', device: device.id, function: f.id })"
        >
          Wish for it<span class="visually-hidden">: {{ f.need }} of {{ device.id }}</span>
        </button>
      </div>
    </section>

    <section>
      <h3>One more device</h3>
      <div class="line">
        <label class="field wide"
          ><span class="visually-hidden">Device to add</span>
          <select id="add-device" v-model="added">
            <option value="">choose from the library</option>
            <option v-for="d in choices?.devices" :key="d.id" :value="d.id">{{ d.name }}</option>
          </select>
        </label>
        <button id="add" type="button" class="text-button" :disabled="added === ''" @click="add">
          Add
        </button>
      </div>
    </section>
  </SidePanel>
</template>

<style scoped>
section {
  padding-bottom: 12px;
  margin-bottom: 12px;
  border-bottom: 1px solid var(--line-faint);
}

section:last-child {
  border-bottom: 0;
}

h3 {
  margin-bottom: 4px;
  font-size: 1rem;
  font-weight: 650;
}

.small {
  margin-top: 4px;
  font-size: 0.875rem;
}

.line {
  display: flex;
  gap: 10px;
  align-items: center;
}

.want {
  min-height: 44px;
  padding-left: 12px;
}

.need {
  flex: 1;
}
</style>
