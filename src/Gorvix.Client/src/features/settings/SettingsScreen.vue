<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import type { BuildSettings } from '@/api/client'
import StepFrame from '@/features/build/StepFrame.vue'
import { useChecklist, type ListPlace } from '@/features/build/useChecklist'
import KeyButton from '@/ui/KeyButton.vue'
import LargeView from '@/ui/LargeView.vue'
import CautionList from '@/ui/CautionList.vue'
import ListHead from '@/ui/ListHead.vue'
import ChoiceFields from './ChoiceFields.vue'
import CompassPart from './CompassPart.vue'
import FormPart from './FormPart.vue'
import GnssPart from './GnssPart.vue'
import ReadBackPart from './ReadBackPart.vue'
import ReturnList from './ReturnList.vue'
import SettingList from './SettingList.vue'
import SettingMore from './SettingMore.vue'
import { placeOf, useSettings } from './useSettings'

/** Every switch that the plan implies: read off, ticked, read back; the GNSS module and the compass; the sheet in one's own form. */
const props = defineProps<
  {
    id: string
    /** Which part is shown: sheet, read, gnss, compass, form. */
    part: string
  } & ListPlace
>()
const route = useRoute()
const loaded = useSettings(() => props.id)
const { lines: settings } = loaded
const isSheet = computed(() => props.part === 'sheet')
const shared = useChecklist({
  id: () => props.id,
  name: 'settings',
  items: () => settings.value,
  idOf: (s) => s.key,
  isDone: (s) => s.isDone,
  place: props,
  first: (all) => all.find((s) => s.link && s.link === route.query.link),
  isShown: () => isSheet.value,
  one: 'setting',
  print: () => print(),
  keys: {
    '1': () => show('sheet'),
    '2': () => show('read'),
    '3': () => show('gnss'),
    '4': () => show('compass'),
    '5': () => show('form'),
    d: done,
  },
  list: [
    ['1 … 5', 'checklist, read back, GNSS, compass, template'],
    ['D', 'mark set and go on; again to undo'],
    ['P', 'print checklist'],
  ],
  read: loaded.read,
})
const { build, view, query, left, shown, chosen } = shared
const sheet = computed(() => loaded.view.value?.sheet)
const gnss = computed(() => loaded.view.value?.gnss ?? null)
const compass = computed(() => loaded.view.value?.compass ?? null)
const chosenSettings = computed<BuildSettings>(() => view.value?.setup.settings ?? {})
const parts = computed(() => [
  { id: 'sheet', letter: '1', words: 'Checklist' },
  { id: 'read', letter: '2', words: 'Read back' },
  ...(gnss.value ? [{ id: 'gnss', letter: '3', words: 'GNSS' }] : []),
  ...(compass.value ? [{ id: 'compass', letter: '4', words: 'Compass' }] : []),
  { id: 'form', letter: '5', words: 'Template' },
])
const show = (part: string) => {
  if (parts.value.some((p) => p.id === part)) void query({ part, large: undefined })
}
function done() {
  shared.tickAndGo((s, isDone) => loaded.tick([s.key], isDone))
}
function change(next: BuildSettings) {
  if (view.value) void build.setUp({ ...view.value.setup, settings: next })
}
const print = () => window.print()
</script>

<template>
  <StepFrame
    :shared="shared"
    :findings="sheet?.findings"
    :lead="
      settings.length > 0 ? `${settings.length - left.length} of ${settings.length} set` : null
    "
    :large="large && isSheet"
    :problem="loaded.problem.value"
    problem-title="Could not load settings"
    :is-reading="!sheet"
  >
    <LargeView
      v-if="view && large && isSheet && chosen"
      label="Settings, large view"
      :heading="`${view.name}: settings`"
      :at="chosen.key"
      :progress="`${settings.length - left.length} of ${settings.length} set`"
      :done="settings.length - left.length"
      :total="settings.length"
      :group="placeOf(chosen)"
      :number="shared.number.value"
      :of="settings.length"
      undo="Z"
      :can-undo="view.undo !== null"
      @walk="shared.walk"
      @undo="build.undo()"
      @leave="shared.set('large')"
    >
      <p class="said">{{ chosen.words }}</p>
      <SettingMore :setting="chosen" />
      <template #go>
        <v-btn size="x-large" variant="flat" color="primary" data-do="done" @click="done"
          >{{ chosen.isDone ? 'Next' : 'Set, next' }} <v-kbd aria-hidden="true">D</v-kbd></v-btn
        >
      </template>
      <template v-if="left.length === 0" #after>
        <p class="all-done" role="status">All set. Read back to confirm.</p>
      </template>
    </LargeView>
    <template v-else-if="sheet">
      <nav class="parts no-print" aria-label="Settings sections">
        <KeyButton
          v-for="p in parts"
          :key="p.id"
          :letter="p.letter"
          :pressed="part === p.id"
          :aria-pressed="part === p.id"
          :data-part="p.id"
          @click="show(p.id)"
          >{{ p.words }}</KeyButton
        >
      </nav>
      <div v-if="isSheet" class="columns">
        <div>
          <CautionList :cautions="sheet.cautions" />
          <ListHead
            title="Settings in order"
            :open="open"
            print="Print checklist"
            @open="shared.set('open')"
            @large="shared.set('large')"
            @print="print"
          />
          <p v-for="u in sheet.untouched" :key="u" class="untouched">{{ u }}</p>
          <SettingList
            :settings="settings"
            :shown="shown"
            :chosen="chosen?.key ?? null"
            @choose="shared.go"
            @tick="(key, isDone) => loaded.tick([key], isDone)"
          />
          <p v-if="shown.length === 0" role="status" class="quiet" data-testid="all-set">
            {{
              settings.length === 0
                ? 'Nothing to set: no device is connected.'
                : 'All set. Read back to confirm.'
            }}
          </p>
        </div>
        <aside>
          <section class="how">
            <h2>Procedure</h2>
            <ol>
              <li v-for="o in sheet.order" :key="o">{{ o }}</li>
            </ol>
          </section>
          <ChoiceFields
            :settings="chosenSettings"
            :has-canvas="settings.some((s) => s.key === 'canvas.grid')"
            @change="change"
          />
          <ReturnList :sheet="sheet" />
        </aside>
      </div>
      <ReadBackPart
        v-else-if="part === 'read'"
        :build="id"
        :texts="loaded.view.value?.texts ?? []"
        :firmware="loaded.view.value?.firmware ?? null"
        @kept="loaded.read()"
        @clean="(keys) => loaded.tick(keys, true)"
      />
      <GnssPart
        v-else-if="part === 'gnss' && gnss"
        :gnss="gnss"
        @hertz="(gnssHertz) => change({ ...chosenSettings, gnssHertz })"
        @generation="(generation) => change({ ...chosenSettings, gnss: generation })"
        @way="(gnssSetup) => change({ ...chosenSettings, gnssSetup })"
      />
      <CompassPart
        v-else-if="part === 'compass' && compass"
        :compass="compass"
        :settings="chosenSettings"
        :declination="settings.find((s) => s.key === 'compass.declination') ?? null"
        @change="change"
      />
      <FormPart
        v-else-if="part === 'form'"
        :build="id"
        :form="loaded.view.value?.form ?? ''"
        :pattern="loaded.view.value?.pattern ?? null"
        :firmware="loaded.view.value?.firmware ?? null"
        @kept="loaded.read()"
      />
      <p v-else class="quiet" data-testid="no-part">
        {{
          part === 'gnss'
            ? 'No GNSS module is connected.'
            : part === 'compass'
              ? 'No compass is connected.'
              : 'This section does not exist.'
        }}
        <a href="?part=sheet" @click.prevent="show('sheet')">Go to checklist</a>
      </p>
    </template>
  </StepFrame>
</template>

<style scoped>
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 10px 0 12px;
}

.untouched {
  padding-left: 12px;
  border-left: 3px solid var(--line);
  color: var(--ink-2);
}

.how {
  margin-bottom: 20px;
}

.how ol {
  margin: 0;
  padding-left: 22px;
}

.how li {
  padding: 2px 0;
}
</style>
