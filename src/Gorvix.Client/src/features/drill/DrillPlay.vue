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
        ['/', 'find a test'],
        ['N P', 'the next test, the one before'],
        ['T', 'do the test'],
        ['W', 'say what it is'],
      ]
    : sheet.value?.place
      ? [
          ['Arrows', 'walk the grid'],
          ['Enter', 'put the link there'],
          ['X', 'leave the link out'],
          ['D', 'all are placed'],
        ]
      : [
          ['1 … 4', 'answer'],
          ['Arrows, Enter', 'point at a pad'],
          ['T', 'that pad'],
          ['N', 'the next question'],
        ]
  return [...own, ['G', 'give up'], ['A', 'another one, when it has ended'], ['?', 'this list']]
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
useTitle(computed(() => `${view.value ? nameOf(view.value.order.kind) : 'Drill'} – Drill – Gorvix`))
watch(() => props.id, drill.read, { immediate: true })
</script>

<template>
  <main class="play">
    <p v-if="!view && !problem" class="quiet" role="status">Drawing …</p>
    <header v-if="view" class="head">
      <h1>{{ nameOf(view.order.kind) }}</h1>
      <LevelMarks :level="view.order.level" />
      <span class="quiet of"
        >{{ view.name }}, seed <span class="label">{{ view.order.seed }}</span>{{
          view.player ? `, ${view.player}` : ''
        }}</span
      >
      <span class="deeds no-print">
        <v-btn
          v-if="view.evening"
          variant="text"
          :to="{ name: 'evening', params: { id: view.evening } }"
          >To the evening</v-btn
        >
        <v-btn variant="text" :to="{ name: 'drill' }">To Drill</v-btn>
        <template v-if="!ended">
          <v-btn v-if="!sure" variant="text" data-do="give-up" @click="sure = true"
            >Give up<v-kbd aria-hidden="true">G</v-kbd></v-btn
          >
          <template v-else>
            <v-btn variant="outlined" data-do="sure" :disabled="busy" @click="giveUp"
              >Give up and see it</v-btn
            >
            <v-btn variant="text" @click="sure = false">Go on</v-btn>
          </template>
        </template>
        <v-btn variant="text" @click="keysOpen = true">Keys</v-btn>
      </span>
    </header>
    <ProblemNote v-if="problem" title="That was not taken" :problem="problem">
      <v-btn @click="drill.read">Load again</v-btn>
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
