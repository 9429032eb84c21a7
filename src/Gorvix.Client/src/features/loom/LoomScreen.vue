<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import type { PictureWire } from '@/api/client'
import BoardFace from '@/features/board/BoardFace.vue'
import StepFrame from '@/features/build/StepFrame.vue'
import { useChecklist, type ListPlace } from '@/features/build/useChecklist'
import LargeView from '@/ui/LargeView.vue'
import KeyButton from '@/ui/KeyButton.vue'
import CautionList from '@/ui/CautionList.vue'
import ListHead from '@/ui/ListHead.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import WiringPicture from '@/features/picture/WiringPicture.vue'
import { usePicture } from '@/features/picture/usePicture'
import { useSelected } from '@/features/picture/useSelected'
import LoomPaper from './LoomPaper.vue'
import LoomPicture from './LoomPicture.vue'
import LoomTables from './LoomTables.vue'
import PlugFaces from './PlugFaces.vue'
import StepList from './StepList.vue'
import { groupOf, useLoom } from './useLoom'
import WireLengths from './WireLengths.vue'

/** From plan to soldered wires: the work in its order, the board with the pads of each step, plugs pin by pin, and what to measure. */
const props = defineProps<
  {
    id: string
    /** Whether the steps are shown in the wiring picture instead of as a list. */
    picture: boolean
  } & ListPlace
>()
const selected = useSelected()
const loom = useLoom(() => props.id)
const { lines: steps } = loom
const shared = useChecklist({
  id: () => props.id,
  name: 'loom',
  items: () => steps.value,
  idOf: (s) => s.id,
  isDone: (s) => s.isDone,
  place: props,
  one: 'step',
  print: () => void print(false),
  keys: { d: done, v: flip },
  list: [
    ['D', 'mark done and go on; again to undo'],
    ['V', 'wiring picture or list'],
    ['P', 'print one sheet'],
  ],
  read: loom.read,
  beside: (s) => {
    const wire = drawing.value?.wires.find((w) => w.step && steps.value[w.step - 1]?.id === s.id)
    return wire ? selected.of(wire) : { lead: undefined, link: undefined, port: undefined }
  },
})
const { build, view, left, shown, chosen } = shared

const sheet = computed(() => loom.view.value?.sheet)
const pads = computed(() => view.value?.sheet.face?.pads ?? [])
const uses = computed(() =>
  Object.fromEntries(
    (sheet.value?.wires ?? []).flatMap((w) => (w.pad ? [[w.pad, `${w.name}: ${w.label}`]] : [])),
  ),
)
// A selection that was brought along is lit beside the step.
const selectedPads = computed(() =>
  props.at === null
    ? (sheet.value?.wires ?? []).filter(selected.has).flatMap((w) => w.pad ?? [])
    : [],
)
const face = computed(() => ({
  face: view.value?.sheet.face,
  name: view.value?.name ?? '',
  lit: [...(chosen.value?.pads ?? []), ...selectedPads.value],
  near: chosen.value?.near ?? [],
  bridge: chosen.value?.bridge ?? null,
  uses: uses.value,
}))

const { picture: drawing, problem: undrawn } = usePicture(() => props.id)
const selectedWires = computed(() => selected.wiresIn(drawing.value))
// What was selected before, until a step is gone to.
const litWires = computed(() =>
  (props.at === null && selectedWires.value.length > 0
    ? selectedWires.value
    : (drawing.value?.wires ?? []).filter((w) => w.step && w.step === shared.number.value)
  ).map((w) => w.id),
)
function flip() {
  void shared.query({ view: props.picture ? undefined : 'picture' })
}
async function ofWire(wire: PictureWire) {
  const step = wire.step ? steps.value[wire.step - 1] : undefined
  if (step) await shared.go(step.id)
  await selected.select(wire)
}
function done() {
  if (!chosen.value?.waits) shared.tickAndGo((s, isDone) => loom.tick(s.id, isDone))
}
function ofPad(pad: string) {
  const step = steps.value.find((s) => s.pads.includes(pad))
  if (step) void shared.go(step.id)
}
function ofBridge(bridge: string) {
  const step = steps.value.find((s) => s.bridge === bridge)
  if (step) void shared.go(step.id)
}
const lead = computed(() =>
  left.value.length === 0
    ? `All ${steps.value.length} steps done`
    : `${steps.value.length - left.value.length} of ${steps.value.length} done`,
)
const whole = ref(false)
async function print(everything: boolean) {
  whole.value = everything
  await nextTick()
  window.print()
}
</script>

<template>
  <StepFrame
    :shared="shared"
    :findings="view?.sheet.open.ofLoom"
    :lead="steps.length > 0 ? lead : null"
    :large="large"
    has-paper
    :problem="loom.problem.value"
    problem-title="Could not load wiring"
    :is-reading="!sheet"
  >
    <template v-if="view && sheet">
      <LargeView
        v-if="large && chosen"
        label="Steps, large view"
        :heading="`${view.name}: steps`"
        :at="chosen.id"
        :progress="`${steps.length - left.length} of ${steps.length} done`"
        :done="steps.length - left.length"
        :total="steps.length"
        :group="groupOf(chosen)"
        :number="shared.number.value"
        :of="steps.length"
        undo="Z"
        :can-undo="view.undo !== null"
        @walk="shared.walk"
        @undo="build.undo()"
        @leave="shared.set('large')"
      >
        <template v-if="face.face" #board>
          <WiringPicture
            v-if="drawing && litWires.length > 0"
            :picture="drawing"
            :name="view.name"
            :lit="litWires"
            :pads="chosen.pads"
            is-work
            near
            @wire="ofWire"
            @pad="ofPad"
          />
          <BoardFace v-else v-bind="face" :face="face.face" @pad="ofPad" @bridge="ofBridge" />
        </template>
        <p v-if="chosen.isDone" class="quiet">done</p>
        <p class="said">{{ chosen.words }}</p>
        <p v-if="chosen.waits" class="waits">Re-pin first: {{ chosen.waits }}</p>
        <p v-if="chosen.iron">{{ chosen.iron }}</p>
        <p v-if="chosen.look" class="quiet">{{ chosen.look }}</p>
        <template #go>
          <v-btn
            size="x-large"
            variant="flat"
            color="primary"
            data-do="done"
            :disabled="chosen.waits != null"
            @click="done"
            >{{ chosen.isDone ? 'Next' : 'Done, next' }} <v-kbd aria-hidden="true">D</v-kbd></v-btn
          >
        </template>
        <template v-if="left.length === 0" #after>
          <p class="all-done" role="status">
            All steps done. Check continuity before power-up (see the list).
          </p>
        </template>
        <template #below>
          <p class="cautions quiet">{{ loom.view.value?.cautions.join(' ') }}</p>
        </template>
      </LargeView>
      <div v-else-if="!large" class="no-print">
        <CautionList :cautions="loom.view.value?.cautions ?? []" />
        <div v-if="picture" data-testid="picture">
          <ListHead
            title="Wiring picture"
            :open="false"
            without-open
            print="Print sheet"
            @large="shared.set('large')"
            @print="print(false)"
          >
            <KeyButton letter="V" data-do="picture" @click="flip">List of steps</KeyButton>
          </ListHead>
          <ProblemNote v-if="undrawn" title="Could not draw the wiring" :problem="undrawn" />
          <LoomPicture
            v-if="drawing"
            :picture="drawing"
            :name="view.name"
            :step="chosen"
            :number="shared.number.value"
            :of="steps.length"
            :lit="litWires"
            @walk="shared.walk"
            @done="done"
            @wire="ofWire"
            @pad="ofPad"
            @move="(device, picture) => build.changeParts({ kind: 'drawDevice', device, picture })"
          />
        </div>
        <div v-else class="columns">
          <div>
            <ListHead
              title="Steps in order"
              :open="open"
              print="Print sheet"
              @open="shared.set('open')"
              @large="shared.set('large')"
              @print="print(false)"
            >
              <KeyButton letter="V" data-do="picture" @click="flip">Wiring picture</KeyButton>
            </ListHead>
            <StepList
              :steps="steps"
              :shown="shown"
              :chosen="chosen?.id ?? null"
              :pads="pads"
              @choose="shared.go"
              @tick="loom.tick"
            />
            <p v-if="shown.length === 0" role="status" class="quiet" data-testid="all-done">
              All steps done. Check continuity before power-up.
            </p>
            <p v-if="left.length === 0" class="no-print">
              <v-btn variant="outlined" data-do="to-bench" :to="{ name: 'bench', params: { id } }"
                >Go to Bench</v-btn
              >
            </p>
          </div>
          <aside>
            <BoardFace
              v-if="face.face"
              v-bind="face"
              class="board"
              :face="face.face"
              @pad="ofPad"
              @bridge="ofBridge"
            />
            <p v-else class="quiet">No board drawing: pad positions are not in the library.</p>
            <div class="plugs">
              <PlugFaces
                :faces="sheet.faces"
                :ways="sheet.otherWays"
                @did="(way) => loom.tick(way, true)"
              />
            </div>
          </aside>
        </div>
        <WireLengths
          :devices="view.devices"
          :names="view.sheet.devices"
          :allowance="loom.view.value?.allowance ?? 0"
          @change="build.changeParts"
        />
        <LoomTables :sheet="sheet" :build="id" @print="print(true)" />
      </div>
      <LoomPaper
        v-if="loom.view.value"
        :view="view"
        :loom="loom.view.value"
        :picture="drawing"
        :whole="whole"
      />
    </template>
  </StepFrame>
</template>

<style scoped>
aside {
  position: sticky;
  top: 60px;
}

@media (max-width: 1000px) {
  /* The board, the list, and then the plugs. */
  aside {
    display: contents;
  }

  .plugs {
    order: 1;
  }

  /* The whole board is in sight, so that no lit pad hides. */
  .board {
    max-width: 420px;
    order: -1;
  }
}

/* On a phone the steps come first; the large view has both. */
@media (max-width: 600px) {
  .board {
    order: 1;
  }
}
</style>
