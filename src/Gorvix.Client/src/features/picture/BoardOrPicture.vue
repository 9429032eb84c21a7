<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { BoardFace as Face, PictureWire } from '@/api/client'
import BoardFace from '@/features/board/BoardFace.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import WiringPicture from './WiringPicture.vue'
import type { Probe, WireLook } from './drawing'
import { usePicture, type Situation } from './usePicture'
import { useSelected } from './useSelected'

/** The board, or the whole wiring: what is selected is lit in both, and the address says which of the two is shown. */
const props = defineProps<{
  build: string
  name: string
  face: Face | null | undefined
  lit: string[]
  bridge?: string | null
  /** Where the tips of the meter go. */
  probes?: Probe[]
  look?: (wire: PictureWire) => WireLook | null
  suspect?: (device: string) => number
  /** The situation whose volts the picture tells. */
  situation?: Situation
  /** At arm's length: what is looked at is large and in the middle. */
  near?: boolean
}>()
defineEmits<{ pad: [id: string]; wire: [wire: PictureWire] }>()

const route = useRoute()
const router = useRouter()
const selected = useSelected()
const shown = computed({
  get: () => (route.query.view === 'picture' || !props.face ? 'picture' : 'board'),
  set: (view) =>
    void router.replace({
      query: { ...route.query, view: view === 'picture' ? view : undefined },
    }),
})
const { picture, problem } = usePicture(
  () => (shown.value === 'picture' || selected.isAny.value ? props.build : null),
  () => props.situation ?? {},
)
const wires = computed(() => selected.wiresIn(picture.value))
const pads = computed(() => [
  ...new Set([...props.lit, ...wires.value.flatMap((w) => (w.pad ? [w.pad] : []))]),
])
const tip = (which: Probe['tip']) => props.probes?.find((p) => p.tip === which)?.pad
</script>

<template>
  <div class="drawing" data-testid="drawing">
    <v-btn-toggle
      v-if="face"
      v-model="shown"
      class="no-print"
      mandatory
      density="compact"
      aria-label="Drawing"
    >
      <v-btn value="board" data-view="board" size="small">Board</v-btn>
      <v-btn value="picture" data-view="picture" size="small">Wiring picture</v-btn>
    </v-btn-toggle>
    <template v-if="shown === 'picture'">
      <ProblemNote v-if="problem" title="Could not draw the wiring" :problem="problem" />
      <WiringPicture
        v-if="picture"
        :picture="picture"
        :name="name"
        :lit="wires.map((w) => w.id)"
        :pads="pads"
        :jumper="bridge"
        :look="look"
        :suspect="suspect"
        :probes="probes"
        :near="near"
        @wire="(wire) => $emit('wire', wire)"
        @pad="(id) => $emit('pad', id)"
      />
    </template>
    <BoardFace
      v-else-if="face"
      :face="face"
      :name="name"
      :lit="pads"
      :bridge="bridge"
      :red="tip('red')"
      :black="tip('black')"
      @pad="(id) => $emit('pad', id)"
    />
  </div>
</template>

<style scoped>
.drawing {
  min-width: 0;
}

.drawing > .v-btn-toggle {
  margin-bottom: 6px;
}
</style>
