<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import type {
  BuildDevice,
  FitView,
  PartChoice,
  PartLine,
  PartsChange,
  Priority,
  SetupChoices,
} from '@/api/client'
import { limits } from '@/api/limits'
import LineField from '@/ui/LineField.vue'
import PriorityToggle from '@/ui/PriorityToggle.vue'

/** A device of the build: what it is, what the builder calls it, and how much each of its links is wished for. */
const props = defineProps<{
  view: FitView
  device: BuildDevice
  part: PartChoice | undefined
  line: PartLine | undefined
  choices: SetupChoices
}>()
const emit = defineEmits<{ change: [change: PartsChange]; exchange: [] }>()

const wants = computed(() => props.view.wants.filter((w) => w.device === props.device.id))
const wishes = computed(() =>
  (props.part?.functions ?? []).map((f) => {
    const want = wants.value.find((w) => w.function === f.id)
    const link = props.view.sheet.links.find((l) => l.id === want?.link)
    return { ...f, want, port: link?.port, lack: link?.lack, inside: link?.inside }
  }),
)
/** Another one of the same part, and neither has a name: the id tells them apart. */
const twin = computed(
  () =>
    !props.device.name &&
    props.view.devices.some((d) => d.id !== props.device.id && d.part === props.device.part),
)
const title = computed(() => props.device.name ?? props.line?.name ?? props.part?.name ?? '')

function wish(f: { id: string; want: { link: string } | undefined }, priority: Priority | null) {
  const device = props.device.id
  if (!f.want)
    emit('change', { kind: 'addLink', device, function: f.id, priority: priority ?? undefined })
  else if (priority === null) emit('change', { kind: 'removeLink', link: f.want.link })
  else emit('change', { kind: 'setPriority', link: f.want.link, priority })
}

const naming = ref(false)
const text = ref('')
const batch = ref('')
const name = useTemplateRef<HTMLElement>('name')
async function beginNaming() {
  text.value = props.device.name ?? ''
  batch.value = props.device.batch ?? ''
  naming.value = true
  await nextTick()
  name.value?.querySelector('input')?.focus()
}
// Both fields are one: leaving them takes what was typed. Where the focus goes is known only after it has gone.
function leave(event: FocusEvent) {
  const fields = event.currentTarget as HTMLElement
  setTimeout(() => {
    if (!fields.contains(document.activeElement)) void endNaming(true)
  })
}
async function endNaming(take: boolean) {
  if (!naming.value) return
  naming.value = false
  if (take && text.value.trim() !== (props.device.name ?? ''))
    emit('change', { kind: 'nameDevice', device: props.device.id, text: text.value })
  if (take && batch.value.trim() !== (props.device.batch ?? ''))
    emit('change', { kind: 'setBatch', device: props.device.id, text: batch.value })
  await nextTick()
  name.value?.querySelector('button')?.focus()
}
</script>

<template>
  <v-card tag="article" variant="outlined" class="card" :data-device="device.id">
    <header>
      <div class="what">
        <h3>
          <bdi>{{ title }}</bdi>
          <span v-if="twin" class="label quiet"> {{ device.id }}</span>
        </h3>
        <p class="quiet brief">
          <RouterLink :to="{ name: 'part', params: { type: 'devices', id: device.part } }">{{
            device.name ? (line?.name ?? device.part) : (line?.kind ?? 'part')
          }}</RouterLink>
          <template v-if="device.name"> · {{ line?.kind }}</template>
          <template v-if="device.batch"> · batch {{ device.batch }}</template>
          <template v-if="line?.brief"> · {{ line.brief }}</template>
          <template v-if="line?.isArchived"> · archived in library</template>
        </p>
      </div>
      <span class="actions">
        <span ref="name">
          <span v-if="naming" class="naming" @focusout="leave">
            <LineField v-slot="{ id }" label="Name">
              <v-text-field
                :id="id"
                v-model="text"
                data-field="device-name"
                placeholder="e.g. second GNSS"
                :maxlength="limits.name"
                @keydown.enter.prevent="endNaming(true)"
                @keydown.esc.stop="endNaming(false)"
              />
            </LineField>
            <LineField v-slot="{ id }" label="Batch or serial no.">
              <v-text-field
                :id="id"
                v-model="batch"
                data-field="device-batch"
                placeholder="as printed"
                :maxlength="limits.name"
                @keydown.enter.prevent="endNaming(true)"
                @keydown.esc.stop="endNaming(false)"
              />
            </LineField>
          </span>
          <v-btn
            v-else
            variant="text"
            size="small"
            :aria-label="`Edit name: ${title}`"
            @click="beginNaming"
            >Edit name</v-btn
          >
        </span>
        <v-btn
          variant="text"
          size="small"
          :data-exchange="device.id"
          :aria-label="`Swap device: ${title}`"
          @click="$emit('exchange')"
          >Swap device</v-btn
        >
        <v-btn
          variant="text"
          size="small"
          :data-remove="device.id"
          :aria-label="`Remove device: ${title}`"
          @click="emit('change', { kind: 'removeDevice', device: device.id })"
          >Remove device</v-btn
        >
      </span>
    </header>
    <p v-for="note in part?.notes" :key="note" class="quiet note">{{ note }}</p>
    <LineField
      v-if="part && part.harnesses.length > 0"
      v-slot="{ id }"
      label="Harness"
      class="harness"
      :data-harness="device.id"
    >
      <v-select
        :id="id"
        :items="part.harnesses"
        item-title="name"
        item-value="id"
        :model-value="device.harness ?? part.harnesses[0]?.id"
        @update:model-value="
          emit('change', { kind: 'takeHarness', device: device.id, harness: $event })
        "
      />
    </LineField>
    <ul v-if="wishes.length > 0" class="wishes">
      <li v-for="f in wishes" :key="f.id">
        <span class="need" :class="{ quiet: !f.want }">{{ f.need }}</span>
        <span class="port">
          <RouterLink
            v-if="f.want"
            :to="{ name: 'fit', params: { id: view.id }, query: { link: f.want.link } }"
            :class="{ none: !f.port }"
            ><span v-if="f.port" class="label">{{ f.port }}</span
            ><template v-else>{{ f.lack }}</template
            ><span class="visually-hidden">, show {{ f.need }} on Fit</span></RouterLink
          >
        </span>
        <PriorityToggle
          :priorities="choices.priorities"
          :name="`${f.need}, ${title}`"
          :tag="`${device.id} ${f.id}`"
          :model-value="f.want?.priority ?? null"
          @update:model-value="wish(f, $event)"
        />
      </li>
    </ul>
  </v-card>
</template>

<style scoped>
.card {
  padding: 12px 16px;
  border-color: var(--line);
  background: var(--sheet);
  overflow-wrap: anywhere;
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: flex-start;
}

.what {
  flex: 1 1 280px;
  min-width: 0;
}

.actions {
  display: flex;
  gap: 4px;
  align-items: center;
}

.naming {
  display: block;
  width: 220px;
}

h3 {
  font-size: 1.125rem;
  font-weight: 650;
  line-height: 1.25;
}

.brief,
.note {
  font-size: 0.9375rem;
}

.harness {
  max-width: 420px;
  margin-top: 6px;
}

.wishes {
  margin-top: 8px;
}

.wishes li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: center;
  min-height: 48px;
  border-top: 1px solid var(--line-faint);
}

.need {
  flex: 1 1 160px;
}

.port {
  width: 72px;
  font-size: 0.9375rem;
  font-weight: 600;
}

.none {
  color: var(--stop);
}
</style>
