<script setup lang="ts">
import { computed, ref } from 'vue'
import type { FitView, PartChoice, PartsChange, Priority } from '@/api/client'
import LineField from '@/ui/LineField.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import SidePanel from '@/ui/SidePanel.vue'
import { useChoices } from '@/ui/useChoices'

/** Board, devices and wished links of the build. Every change plans again at once and can be undone. */
const props = defineProps<{ view: FitView }>()
const emit = defineEmits<{ change: [change: PartsChange]; undo: []; close: [] }>()

const { choices, problem } = useChoices()
const added = ref<string | null>(null)
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
  if (!added.value) return
  emit('change', { kind: 'addDevice', part: added.value })
  added.value = null
}
</script>

<template>
  <SidePanel title="Parts" :undo="view.undo ?? null" @undo="$emit('undo')" @close="$emit('close')">
    <ProblemNote v-if="problem" title="The library cannot be shown" :problem="problem" />
    <section>
      <h3>Board</h3>
      <LineField v-slot="{ id }" label="Board" quiet>
        <v-autocomplete
          :id="id"
          data-field="board"
          :items="choices?.boards ?? []"
          item-title="name"
          item-value="id"
          auto-select-first
          :model-value="view.boardPart"
          @update:model-value="$event && emit('change', { kind: 'takeBoard', part: $event })"
        />
      </LineField>
      <p v-for="note in board?.notes" :key="note" class="quiet small">{{ note }}</p>
    </section>

    <section v-for="device in devices" :key="device.id" :data-device="device.id">
      <h3 class="label">{{ device.id }}</h3>
      <div class="line">
        <LineField v-slot="{ id }" :label="`Part for ${device.id}`" quiet>
          <v-select
            :id="id"
            data-field="part"
            :items="device.alike"
            item-title="name"
            item-value="id"
            :model-value="device.part?.id"
            @update:model-value="
              emit('change', { kind: 'takePart', device: device.id, part: $event })
            "
          />
        </LineField>
        <v-btn
          variant="text"
          size="small"
          :aria-label="`Remove ${device.id}`"
          @click="emit('change', { kind: 'removeDevice', device: device.id })"
          >Remove</v-btn
        >
      </div>
      <p v-for="note in device.part?.notes" :key="note" class="quiet small">{{ note }}</p>
      <LineField
        v-if="device.part && device.part.harnesses.length > 0"
        v-slot="{ id }"
        label="Harness"
        :data-harness="device.id"
      >
        <v-select
          :id="id"
          :items="device.part.harnesses"
          item-title="name"
          item-value="id"
          :model-value="device.harness ?? device.part.harnesses[0]?.id"
          @update:model-value="
            emit('change', { kind: 'takeHarness', device: device.id, harness: $event })
          "
        />
      </LineField>
      <div v-for="want in device.wants" :key="want.link" class="line want">
        <span class="need">{{ want.need }}</span>
        <v-btn-toggle
          :model-value="want.priority"
          :aria-label="`How much ${want.link} is wished for`"
          mandatory
          @update:model-value="
            emit('change', {
              kind: 'setPriority',
              link: want.link,
              priority: $event as Priority,
            })
          "
        >
          <v-btn
            v-for="p in choices?.priorities"
            :key="p.value"
            :value="p.value"
            :data-priority="`${want.link} ${p.value}`"
            size="small"
            >{{ p.words }}</v-btn
          >
        </v-btn-toggle>
        <v-btn
          variant="text"
          size="small"
          :aria-label="`Remove the link ${want.link}`"
          @click="emit('change', { kind: 'removeLink', link: want.link })"
          >Remove</v-btn
        >
      </div>
      <div v-for="f in device.more" :key="f.id" class="line want">
        <span class="need quiet">{{ f.need }}</span>
        <v-btn
          variant="text"
          size="small"
          :data-wish="`${device.id} ${f.id}`"
          :aria-label="`Wish for it: ${f.need} of ${device.id}`"
          @click="emit('change', { kind: 'addLink', device: device.id, function: f.id })"
          >Wish for it</v-btn
        >
      </div>
    </section>

    <section>
      <h3>One more device</h3>
      <div class="line">
        <LineField v-slot="{ id }" label="Device to add" quiet>
          <v-autocomplete
            :id="id"
            v-model="added"
            data-field="add-device"
            :items="choices?.devices ?? []"
            item-title="name"
            item-value="id"
            placeholder="search the library"
            auto-select-first
            clearable
          />
        </LineField>
        <v-btn id="add" size="small" :disabled="!added" @click="add">Add</v-btn>
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
  gap: 8px;
  align-items: center;
}

.want {
  min-height: 48px;
  padding-left: 12px;
}

.need {
  flex: 1;
}
</style>
