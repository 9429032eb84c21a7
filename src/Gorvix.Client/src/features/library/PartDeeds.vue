<script setup lang="ts">
import { mdiExport, mdiTrashCanOutline } from '@mdi/js'
import ActionSign from '@/ui/ActionSign.vue'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type PartPage, type Problem } from '@/api/client'
import { useLibrary } from '@/stores/library'
import { useDraftOfTab } from '@/features/new/useDraft'
import MenuButton from '@/ui/MenuButton.vue'
import ProblemNote from '@/ui/ProblemNote.vue'

/** What can be done with a part: change it, describe a copy, lay it aside, take it out, bring an earlier state back. */
const props = defineProps<{ type: string; id: string; page: PartPage }>()
const emit = defineEmits<{ changed: [] }>()
const router = useRouter()
const library = useLibrary()
const problem = ref<Problem | null>(null)
const board = computed(() => props.type === 'boards')
const path = computed(() => ({ params: { path: { id: props.id } } }))

async function lay() {
  const aside = !props.page.isArchived
  const answer = board.value
    ? aside
      ? await ask(() => api.POST('/api/library/boards/{id}/archive', path.value))
      : await ask(() => api.POST('/api/library/boards/{id}/unarchive', path.value))
    : aside
      ? await ask(() => api.POST('/api/library/devices/{id}/archive', path.value))
      : await ask(() => api.POST('/api/library/devices/{id}/unarchive', path.value))
  await done(answer.problem)
}
/** On from the part: into a new build, whose screen says first what would not suit it. */
const draft = useDraftOfTab()
function build() {
  const { id } = props
  draft.value = board.value
    ? { ...draft.value, board: id }
    : { ...draft.value, devices: [...(draft.value.devices ?? []), id] }
  void router.push({ name: 'new' })
}
/** A part that is deleted is gone with its history: it is asked once. */
const asks = ref(false)
async function remove() {
  const answer = board.value
    ? await ask(() => api.DELETE('/api/library/boards/{id}', path.value))
    : await ask(() => api.DELETE('/api/library/devices/{id}', path.value))
  problem.value = answer.problem
  if (answer.problem) return
  await library.load()
  await router.push({ name: 'library' })
}
async function back(to: number) {
  const options = { ...path.value, body: { version: props.page.version, to } }
  const answer = board.value
    ? await ask(() => api.POST('/api/library/boards/{id}/back', options))
    : await ask(() => api.POST('/api/library/devices/{id}/back', options))
  await done(answer.problem)
}
async function done(refused: Problem | null) {
  problem.value = refused
  if (refused) return
  emit('changed')
  await library.load()
}
/** Bytes of the photos in the file of a board; they go with it only when that is asked. */
const photoBytes = ref(0)
watch(
  () => props.id,
  async (id) => {
    photoBytes.value = 0
    if (!board.value) return
    const { data } = await ask(() => api.GET('/api/library/boards/{id}/photos', path.value))
    if (id !== props.id) return
    // Four characters of the file for three bytes.
    photoBytes.value = (data ?? []).reduce((sum, { photo }) => sum + (photo.faceBytes * 4) / 3, 0)
  },
  { immediate: true },
)
const megabytes = (bytes: number) => `${Math.max(0.1, bytes / 1024 / 1024).toFixed(1)} MB`
const more = computed(() => [
  {
    id: 'copy',
    words: board.value ? 'Add other revision' : 'Duplicate part',
    run: () =>
      void router.push({
        name: board.value ? 'new-board' : 'new-device',
        query: { from: props.id },
      }),
  },
  ...(photoBytes.value > 0
    ? [
        {
          id: 'with-photos',
          words: 'Export with photos',
          about: megabytes(photoBytes.value),
          href: `/api/files/boards/${encodeURIComponent(props.id)}?photos=true`,
        },
      ]
    : []),
  {
    id: 'list',
    words: board.value ? 'Export pads' : 'Export leads',
    about: 'CSV',
    href: `/api/files/lists/${props.type}/${encodeURIComponent(props.id)}`,
  },
  {
    id: 'aside',
    words: props.page.isArchived ? 'Unarchive part' : 'Archive part',
    run: () => void lay(),
  },
  ...(props.page.usedIn.length === 0
    ? [
        {
          id: 'remove',
          words: 'Delete part',
          sign: mdiTrashCanOutline,
          run: () => (asks.value = true),
        },
      ]
    : []),
])
const when = (at: string | null | undefined) =>
  at ? new Date(at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' }) : ''
</script>

<template>
  <div class="deeds no-print">
    <v-btn
      v-if="!page.isArchived"
      size="small"
      color="primary"
      variant="flat"
      data-do="build"
      @click="build"
      >{{ board ? 'New build' : 'Add to new build' }}</v-btn
    >
    <v-btn
      v-if="!page.isArchived && board"
      size="small"
      data-do="device"
      :to="{ name: 'new-device' }"
      >New device</v-btn
    >
    <v-btn
      size="small"
      data-do="change"
      :to="{ name: board ? 'change-board' : 'change-device', params: { id } }"
      >Edit part</v-btn
    >
    <v-btn
      size="small"
      variant="text"
      data-do="file"
      :href="`/api/files/${type}/${encodeURIComponent(id)}`"
      download
      ><ActionSign :path="mdiExport" />Export part</v-btn
    >
    <MenuButton
      variant="text"
      data-do="more"
      label="More"
      :name="page.leaflet.line.name"
      :items="more"
    />
  </div>
  <div v-if="asks" class="asks no-print" role="alert" data-testid="asks-delete">
    Delete {{ page.leaflet.line.name }} and its earlier versions? This cannot be undone.
    <v-btn size="small" data-do="delete-part" @click="remove"
      ><ActionSign :path="mdiTrashCanOutline" />Delete part</v-btn
    >
    <v-btn size="small" variant="text" data-do="keep-part" @click="asks = false">Keep part</v-btn>
  </div>
  <p v-if="page.isArchived" class="quiet">
    Archived: existing builds keep it; new builds do not offer it.
  </p>
  <ProblemNote v-if="problem" title="Not changed" :problem="problem" />
  <details v-if="page.history.length > 1" class="history" data-testid="history">
    <summary>Version {{ page.version }}; earlier versions</summary>
    <ul>
      <li v-for="step in page.history" :key="step.version">
        <span class="label">{{ step.version }}</span> {{ step.words }}
        <span class="quiet">{{ when(step.at) }}</span>
        <v-btn
          v-if="step.version !== page.version"
          size="small"
          variant="text"
          :data-back="step.version"
          @click="back(step.version)"
          >Restore version</v-btn
        >
      </li>
    </ul>
  </details>
</template>

<style scoped>
.asks {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin-top: 8px;
  padding: 6px 0 6px 12px;
  border-left: 3px solid var(--warn);
}

.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
}

.history {
  margin-top: 8px;
}

.history summary {
  display: inline-block;
  min-height: 24px;
  cursor: pointer;
}

.history li {
  min-height: 40px;
}
</style>
