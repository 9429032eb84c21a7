<script setup lang="ts">
import { ref, shallowRef, useTemplateRef } from 'vue'
import type { BoardFace } from '@/api/client'
import ProblemNote from '@/ui/ProblemNote.vue'
import PhotoMarks from './PhotoMarks.vue'
import type { Side, SidePhoto, useBoardPhotos } from './useBoardPhotos'

/** A photo of each side of the board, straightened by points that are found on it. */
const props = defineProps<{
  photos: ReturnType<typeof useBoardPhotos>
  face: BoardFace
  /** Whether the size of the board is known: a photo is fitted to its outline. */
  isSized: boolean
}>()

const sides: { side: Side; title: string }[] = [
  { side: 'top', title: 'Top' },
  { side: 'bottom', title: 'Bottom' },
]
const field = useTemplateRef<HTMLInputElement>('field')
const side = ref<Side>('top')
const marked = shallowRef<SidePhoto | null>(null)
const busy = ref(false)

function choose(of: Side) {
  side.value = of
  field.value?.click()
}
async function read() {
  const file = field.value?.files?.[0]
  if (!file) return
  busy.value = true
  marked.value = await props.photos.read(file)
  busy.value = false
  // The same file can be chosen again.
  if (field.value) field.value.value = ''
}
async function mark(of: Side) {
  side.value = of
  marked.value = await props.photos.open(of)
}
async function use(photo: SidePhoto) {
  busy.value = true
  const taken = await props.photos.take(side.value, photo, props.face.width, props.face.depth)
  busy.value = false
  if (taken) marked.value = null
}
const words = (count: number) => `${count} points`
</script>

<template>
  <section class="photos" aria-label="Photos">
    <h3>Photos</h3>
    <ProblemNote
      v-if="photos.problem.value && !marked"
      title="Photo not used"
      :problem="photos.problem.value"
    />
    <p v-if="!isSized" class="quiet">Enter the board's size (step 1) to fit a photo to it.</p>
    <ul v-else>
      <li v-for="s in sides" :key="s.side" :data-photo="s.side">
        <span class="title">{{ s.title }}</span>
        <template v-if="photos.points(s.side) !== null">
          <span class="quiet">{{ words(photos.points(s.side) ?? 0) }}</span>
          <v-btn size="small" data-do="mark" @click="mark(s.side)">Edit points</v-btn>
          <v-btn size="small" variant="text" @click="photos.remove(s.side)">Remove photo</v-btn>
        </template>
        <template v-else>
          <v-btn size="small" data-do="photo" :loading="busy" @click="choose(s.side)"
            >Add photo</v-btn
          >
          <v-btn
            v-if="photos.isRemoved(s.side)"
            size="small"
            variant="text"
            @click="photos.bringBack(s.side)"
            >Undo removal</v-btn
          >
        </template>
      </li>
    </ul>
    <p v-if="photos.isChanged.value" class="quiet">Photos are saved with the board.</p>
    <input
      ref="field"
      type="file"
      accept="image/jpeg,image/png,image/webp"
      hidden
      :data-file="side"
      @change="read"
    />
    <PhotoMarks
      v-if="marked"
      :photo="marked"
      :face="face"
      :side="side"
      :busy="busy"
      :problem="photos.problem.value"
      @use="use"
      @close="marked = null"
    />
  </section>
</template>

<style scoped>
.photos {
  padding: 10px 12px;
  border: 1px solid var(--line);
  background: var(--sheet);
  font-size: 0.9375rem;
}

h3 {
  font-size: 1rem;
  font-weight: 650;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  min-height: 44px;
}

.title {
  min-width: 4em;
}
</style>
