<script setup lang="ts">
import { useDropZone, useFileDialog, useTitle } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import {
  api,
  ask,
  type IntakeChoice,
  type IntakeDecision,
  type IntakePart,
  type IntakeView,
  type Problem,
} from '@/api/client'
import { useFiles } from '@/stores/files'
import { useLibrary } from '@/stores/library'
import ProblemNote from '@/ui/ProblemNote.vue'

/** A file on its way in: what it would add and change, and a decision for each part that the library has otherwise. */
const files = useFiles()
const { pending } = storeToRefs(files)
const library = useLibrary()
const router = useRouter()
const view = shallowRef<IntakeView | null>(null)
const problem = ref<Problem | null>(null)
const decisions = ref<IntakeDecision[]>([])
const busy = ref(false)
const page = ref<HTMLElement>()

const picker = useFileDialog({
  accept: '.json,.csv,application/json,text/csv',
  multiple: false,
  reset: true,
})
function take(chosen: FileList | File[] | null) {
  const file = chosen?.[0]
  if (file) void files.bring(file)
}
picker.onChange(take)
const { isOverDropZone } = useDropZone(page, { onDrop: take })

watch(
  pending,
  () => {
    decisions.value = []
    view.value = null
    void look()
  },
  { immediate: true },
)
async function look() {
  const file = pending.value
  if (!file) return
  const answer = await ask(() =>
    api.POST('/api/files/look', { body: { file: file.text, decisions: decisions.value } }),
  )
  if (file !== pending.value) return
  view.value = answer.data ?? (answer.problem ? null : view.value)
  problem.value = answer.problem
}

const choices: { value: IntakeChoice; title: string }[] = [
  { value: 'keepMine', title: 'Keep mine' },
  { value: 'takeTheirs', title: 'Use theirs' },
  { value: 'asCopy', title: 'Import as copy' },
]
const choiceOf = (part: IntakePart) =>
  decisions.value.find((d) => d.kind === part.kind && d.id === part.id)?.choice ?? 'keepMine'
function decide(part: IntakePart, choice: IntakeChoice) {
  decisions.value = [
    ...decisions.value.filter((d) => d.kind !== part.kind || d.id !== part.id),
    { kind: part.kind, id: part.id, choice },
  ]
  void look()
}
const photosOf = (part: IntakePart) =>
  part.photos === 0 ? '' : part.photos === 1 ? ' · 1 photo' : ` · ${part.photos} photos`
const samePhotos = computed(() => of('same').reduce((sum, p) => sum + p.photos, 0))
const of = (state: IntakePart['state']) => view.value?.parts.filter((p) => p.state === state) ?? []
const blocked = computed(
  () =>
    view.value?.builds.some((b) => b.refused != null) === true ||
    view.value?.touched.some((t) => t.refused != null) === true,
)
const nothing = computed(
  () =>
    view.value !== null &&
    view.value.builds.length === 0 &&
    of('new').length === 0 &&
    samePhotos.value === 0 &&
    of('differs').every((p) => choiceOf(p) === 'keepMine'),
)

async function finish() {
  if (!pending.value) return
  busy.value = true
  const answer = await ask(() =>
    api.POST('/api/files/take', {
      body: { file: pending.value?.text ?? '', decisions: decisions.value },
    }),
  )
  busy.value = false
  problem.value = answer.problem
  if (!answer.data) return
  pending.value = null
  await library.load()
  const [only, ...others] = answer.data.builds
  if (only && others.length === 0) await router.push({ name: 'fit', params: { id: only } })
  else await router.push({ name: only ? 'shelf' : 'library' })
}
useTitle('Import – Gorvix')
</script>

<template>
  <main ref="page" class="take-in" :class="{ over: isOverDropZone }">
    <h1>Import file</h1>
    <p class="quiet">
      Gorvix file (parts, library, builds) or CSV (pads, devices). You see every change before it is
      saved.
    </p>
    <ProblemNote
      v-if="problem"
      class="gap"
      :title="`${pending?.name ?? 'File'} not imported. Nothing was saved.`"
      :problem="problem"
    />
    <p class="gap">
      <v-btn id="choose" @click="picker.open()">{{
        pending ? 'Choose another file' : 'Choose file'
      }}</v-btn>
      <span v-if="!pending" class="quiet"> or drop it here.</span>
    </p>
    <template v-if="view && pending">
      <section v-if="view.builds.length > 0">
        <h2>Builds</h2>
        <ul>
          <li v-for="build in view.builds" :key="build.name" :data-build="build.name">
            <strong
              ><bdi>{{ build.name }}</bdi></strong
            >:
            <span v-if="build.refused" class="stop">cannot be planned. {{ build.refused }}</span>
            <span v-else>{{ build.verdict }}</span>
          </li>
        </ul>
      </section>
      <section v-if="of('differs').length > 0">
        <h2>Parts that differ from yours</h2>
        <ul class="differs">
          <li v-for="part in of('differs')" :key="part.kind + part.id" :data-differs="part.id">
            <span class="name"
              >{{ part.name }}
              <span class="quiet"
                >differs in {{ part.members.join(', ') }}{{ photosOf(part) }}</span
              ></span
            >
            <v-btn-toggle
              mandatory
              :aria-label="`Import of ${part.name}`"
              :model-value="choiceOf(part)"
              @update:model-value="decide(part, $event)"
            >
              <v-btn
                v-for="c in choices"
                :key="c.value"
                :value="c.value"
                size="small"
                :data-choice="`${part.id} ${c.value}`"
                >{{ c.title }}</v-btn
              >
            </v-btn-toggle>
          </li>
        </ul>
      </section>
      <section v-if="of('new').length > 0">
        <h2>New parts</h2>
        <ul>
          <li v-for="part in of('new')" :key="part.kind + part.id">
            {{ part.name }}<span class="quiet">{{ photosOf(part) }}</span>
          </li>
        </ul>
      </section>
      <p v-if="of('same').length > 0" class="quiet gap">
        {{ of('same').length === 1 ? '1 part' : `${of('same').length} parts` }} already in your
        library, identical.
        <template v-if="samePhotos > 0"
          >Photos are added where your library has none ({{ samePhotos }} in the file).</template
        >
      </p>
      <section v-if="view.touched.length > 0">
        <h2>Effect on your builds</h2>
        <ul data-testid="touched">
          <li v-for="t in view.touched" :key="t.id">
            <strong
              ><bdi>{{ t.name }}</bdi></strong
            >:
            <span v-if="t.refused" class="stop"
              >cannot be planned with this change. {{ t.refused }}</span
            >
            <template v-else>
              {{ t.preview?.after.sentence }}
              <span v-for="move in t.preview?.moved" :key="move" class="line">{{ move }}</span>
            </template>
          </li>
        </ul>
      </section>
      <p class="gap">
        <v-btn
          id="take-in"
          color="primary"
          variant="flat"
          :disabled="blocked || nothing || busy"
          @click="finish"
          >Import file</v-btn
        >
        <span v-if="nothing" class="quiet"> Nothing new in this file.</span>
      </p>
    </template>
  </main>
</template>

<style scoped>
.take-in {
  min-height: 70vh;
  padding: 16px 24px 32px;
}

.over {
  outline: 2px dashed var(--chosen);
  outline-offset: -8px;
}

h2 {
  margin: 16px 0 4px;
  font-size: 1.125rem;
  font-weight: 650;
}

.gap {
  margin-top: 12px;
}

li {
  padding: 4px 0;
  overflow-wrap: anywhere;
}

.differs li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  min-height: 48px;
  border-top: 1px solid var(--line-faint);
}

.name {
  flex: 1 1 280px;
}

.line {
  display: block;
}

.stop {
  color: var(--stop);
}
</style>
