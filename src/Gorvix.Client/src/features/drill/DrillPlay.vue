<script setup lang="ts">
import { useTitle } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask } from '@/api/client'
import KeysDialog from '@/features/build/KeysDialog.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import { useScreenKeys } from '@/ui/useScreenKeys'
import CardPlay from './CardPlay.vue'
import DrillEnd from './DrillEnd.vue'
import FaultPlay from './FaultPlay.vue'
import LevelMarks from './LevelMarks.vue'
import PlacePlay from './PlacePlay.vue'
import { nameOf, useDrill } from './useDrill'

/** A drill that is played, and afterwards what there is to learn from it. */
const props = defineProps<{ id: string }>()

const router = useRouter()
const drill = useDrill(() => props.id)
const { view, problem, busy, ended } = drill
const keysOpen = ref(false)
const sure = ref(false)
const fault = useTemplateRef<InstanceType<typeof FaultPlay>>('fault')
const place = useTemplateRef<InstanceType<typeof PlacePlay>>('place')
const cards = useTemplateRef<InstanceType<typeof CardPlay>>('cards')
const sheet = computed(() => view.value?.sheet)

async function giveUp() {
  sure.value = false
  await drill.play('giveUp')
}
async function again(same: boolean) {
  const now = view.value
  if (!now) return
  if (!now.build) {
    await router.push({ name: 'drill' })
    return
  }
  const build = now.build
  const { data, problem: refused } = await ask(() =>
    api.POST('/api/drills', {
      body: {
        kind: now.order.kind,
        build,
        level: same ? now.order.level : null,
        seed: same ? now.order.seed : null,
      },
    }),
  )
  problem.value = refused
  if (data) await router.push({ name: 'drill-play', params: { id: data.id } })
}

const keyList = computed<[string, string][]>(() => {
  const own: [string, string][] = sheet.value?.fault
    ? [
        ['/', 'search tests'],
        ['N P', 'next, previous test'],
        ['T', 'run the test'],
        ['W', 'name the fault'],
      ]
    : sheet.value?.place
      ? [
          ['Arrows', 'move in the grid'],
          ['Enter', 'assign link to port'],
          ['X', 'leave link unconnected'],
          ['D', 'finish'],
        ]
      : [
          ['1 … 4', 'answer'],
          ['Arrows, Enter', 'select a pad'],
          ['T', 'answer with selected pad'],
          ['N', 'next question'],
        ]
  return [...own, ['G', 'give up'], ['A', 'new drill, once finished'], ['?', 'show shortcuts']]
})
useScreenKeys(
  {
    ...Object.fromEntries([1, 2, 3, 4].map((n) => [`${n}`, () => cards.value?.answer(n - 1)])),
    '/': () => fault.value?.find(),
    n: () => (fault.value ? fault.value.another(1) : cards.value?.next()),
    p: () => fault.value?.another(-1),
    t: () => (fault.value ? fault.value.test() : cards.value?.thatPad()),
    w: () => fault.value?.name(),
    x: () => place.value?.leave(),
    d: () => place.value?.done(),
    g: () => (sure.value = !ended.value),
    a: () => ended.value && void again(false),
    '?': () => (keysOpen.value = true),
  },
  keysOpen,
)
useTitle(
  computed(() => `${view.value ? nameOf(view.value.order.kind) : 'Drill'} – Practice – Gorvix`),
)
watch(() => props.id, drill.read, { immediate: true })
</script>

<template>
  <main class="play">
    <p v-if="!view && !problem" class="quiet" role="status">Loading…</p>
    <header v-if="view" class="head">
      <h1>{{ nameOf(view.order.kind) }}</h1>
      <LevelMarks :level="view.order.level" />
      <span class="quiet of"
        >{{ view.name }}, code <span class="label">{{ view.order.seed }}</span>{{
          view.player ? `, ${view.player}` : ''
        }}</span
      >
      <span class="deeds no-print">
        <v-btn
          v-if="view.evening"
          variant="text"
          :to="{ name: 'evening', params: { id: view.evening } }"
          >Back to session</v-btn
        >
        <v-btn variant="text" :to="{ name: 'drill' }">Back to Practice</v-btn>
        <template v-if="!ended">
          <v-btn v-if="!sure" variant="text" data-do="give-up" @click="sure = true"
            >Give up<v-kbd aria-hidden="true">G</v-kbd></v-btn
          >
          <template v-else>
            <v-btn variant="outlined" data-do="sure" :disabled="busy" @click="giveUp"
              >Show answer</v-btn
            >
            <v-btn variant="text" @click="sure = false">Keep trying</v-btn>
          </template>
        </template>
        <v-btn variant="text" @click="keysOpen = true">Shortcuts</v-btn>
      </span>
    </header>
    <ProblemNote v-if="problem" title="That did not work" :problem="problem">
      <v-btn @click="drill.read">Reload drill</v-btn>
    </ProblemNote>
    <p v-if="view?.doubt" class="doubt" role="note">{{ view.doubt }}</p>
    <template v-if="view && sheet">
      <DrillEnd
        v-if="sheet.result"
        :view="view"
        :result="sheet.result"
        @again="again(false)"
        @same="again(true)"
      />
      <FaultPlay
        v-if="sheet.fault"
        ref="fault"
        :sheet="sheet.fault"
        :view="view"
        :busy="busy"
        @test="(t) => drill.play('test', t)"
        @name="(n) => drill.play('name', n)"
      />
      <PlacePlay
        v-else-if="sheet.place"
        ref="place"
        :sheet="sheet.place"
        :ended="ended"
        :busy="busy"
        @put="(l, p) => drill.play('put', l, p)"
        @done="drill.play('done')"
      />
      <CardPlay
        v-else-if="sheet.cards"
        ref="cards"
        :sheet="sheet.cards"
        :view="view"
        :ended="ended"
        :busy="busy"
        @answer="(c, v, s) => drill.play('answer', c, v, s)"
      />
    </template>
    <KeysDialog v-model="keysOpen" :keys="keyList" />
  </main>
</template>

<style scoped>
.play {
  padding: 12px 24px 32px;
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  margin-bottom: 8px;
}

h1 {
  font-size: 1.5rem;
  font-weight: 650;
}

.of {
  flex: 1 1 200px;
}

.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}

.doubt {
  margin: 6px 0;
  padding-left: 10px;
  border-left: 3px solid var(--warn);
}
</style>
