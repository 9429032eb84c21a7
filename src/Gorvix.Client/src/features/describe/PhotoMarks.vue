<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { computed, nextTick, ref, shallowRef, useTemplateRef } from 'vue'
import { api, ask, type BoardFace, type PhotoFit, type PhotoMark, type Problem } from '@/api/client'
import LineField from '@/ui/LineField.vue'
import ZoomButtons from '@/ui/ZoomButtons.vue'
import { knownPoints, nameAt } from './marks'
import type { Side, SidePhoto } from './useBoardPhotos'

/** The points of a board are found on its photo: one after the other is clicked; each can be moved by the arrows. */
const props = defineProps<{
  photo: SidePhoto
  face: BoardFace
  side: Side
  busy: boolean
  problem: Problem | null
}>()
const emit = defineEmits<{ use: [photo: SidePhoto]; close: [] }>()

const marks = ref<PhotoMark[]>([...props.photo.marks])
const fit = shallowRef<PhotoFit | null>(null)
const refused = ref<string | null>(null)
const zoom = ref(1)
const points = computed(() => knownPoints(props.face, props.side))
const isMarked = (p: { x: number; y: number }) =>
  marks.value.some((m) => m.x === p.x && m.y === p.y)
const open = computed(() => points.value.filter((p) => !isMarked(p)))
const picked = ref<string | null>(null)
/** The point that the next click puts down: the one that was picked, else the next corner. */
const next = computed(
  () => open.value.find((p) => p.id === picked.value) ?? open.value.find((p) => p.isCorner),
)
const drawing = useTemplateRef<SVGSVGElement>('drawing')
const least = 2

watchDebounced(
  marks,
  async (now) => {
    fit.value = null
    refused.value = null
    if (now.length < least) return
    const { data, problem } = await ask(() =>
      api.POST('/api/describe/photo/fit', {
        body: {
          width: props.photo.width,
          height: props.photo.height,
          depth: props.face.depth,
          marks: now,
        },
      }),
    )
    if (now !== marks.value) return
    fit.value = data
    refused.value = problem?.sentence ?? null
  },
  { debounce: 120, immediate: true },
)
const said = computed(() => {
  if (props.problem) return props.problem.sentence
  if (refused.value) return refused.value
  if (next.value && marks.value.length < 4) {
    const enough = fit.value ? ` ${marks.value.length} points already fit.` : ''
    return `Click ${next.value.title} on the photo.${enough}`
  }
  if (!fit.value) return ''
  return fit.value.residual === null
    ? 'Fits. Mark a fifth point to see how well.'
    : `Off by ${fit.value.residual.toFixed(2)} mm at most.`
})

function put(event: MouseEvent) {
  const box = drawing.value?.getBoundingClientRect()
  if (!next.value || !box) return
  add((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height)
}
function add(u: number, v: number) {
  const at = next.value
  if (!at) return
  marks.value = [...marks.value, { x: at.x, y: at.y, u, v }]
  picked.value = null
}
async function addByKey() {
  add(0.5, 0.5)
  await nextTick()
  drawing.value?.querySelector<SVGElement>('[data-mark]:last-of-type')?.focus()
}
const ways: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
function move(event: KeyboardEvent, index: number) {
  const way = ways[event.key]
  if (!way) return
  event.preventDefault()
  const by = (event.shiftKey ? 20 : 2) / Math.max(props.photo.width, props.photo.height)
  marks.value = marks.value.map((m, i) =>
    i === index ? { ...m, u: m.u + way[0] * by, v: m.v + way[1] * by } : m,
  )
}
const drop = (index: number) => (marks.value = marks.value.filter((_, i) => i !== index))
const reach = computed(() => Math.max(props.photo.width, props.photo.height) / 60 / zoom.value)
</script>

<template>
  <v-dialog :model-value="true" max-width="1180" @update:model-value="!$event && emit('close')">
    <div class="box" role="document">
      <h2>Find points on the photo: {{ side }} side</h2>
      <p class="said" role="status" data-testid="fit">{{ said }}</p>
      <div class="columns">
        <div class="bench">
          <svg
            ref="drawing"
            :viewBox="`0 0 ${photo.width} ${photo.height}`"
            :style="{ width: `calc(min(100%, ${(60 * photo.width) / photo.height}vh) * ${zoom})` }"
            :class="{ next }"
            role="group"
            aria-label="Photo"
            data-testid="photo"
            @click="put"
          >
            <image :href="photo.url" :width="photo.width" :height="photo.height" />
            <g
              v-for="(m, i) in marks"
              :key="`${m.x} ${m.y}`"
              class="mark"
              tabindex="0"
              role="img"
              :data-mark="i"
              :aria-label="`${nameAt(points, m)}: arrow keys move it`"
              :transform="`translate(${m.u * photo.width} ${m.v * photo.height}) scale(${reach})`"
              @click.stop
              @keydown="move($event, i)"
            >
              <path class="under" d="M-1 0H1M0 -1V1" />
              <path d="M-1 0H1M0 -1V1" />
              <text x="0.3" y="-0.4">{{ i + 1 }}</text>
            </g>
          </svg>
        </div>
        <div class="list">
          <LineField v-slot="{ id }" label="Next point">
            <v-select
              :id="id"
              data-field="point"
              :items="open"
              item-title="title"
              item-value="id"
              :model-value="next?.id ?? null"
              @update:model-value="picked = $event"
            />
          </LineField>
          <v-btn size="small" variant="text" :disabled="!next" @click="addByKey"
            >Place in middle</v-btn
          >
          <ol>
            <li v-for="(m, i) in marks" :key="`${m.x} ${m.y}`">
              <span>{{ nameAt(points, m) }}</span>
              <v-btn
                size="small"
                variant="text"
                :aria-label="`Remove point ${i + 1}`"
                @click="drop(i)"
                >Remove</v-btn
              >
            </li>
          </ol>
          <ZoomButtons v-model="zoom" :steps="[1, 2, 4]" />
        </div>
      </div>
      <span class="actions">
        <v-btn
          color="primary"
          variant="flat"
          data-do="use"
          :disabled="!fit"
          :loading="busy"
          @click="emit('use', { ...photo, marks })"
          >Use photo</v-btn
        >
        <v-btn @click="emit('close')">Cancel</v-btn>
      </span>
    </div>
  </v-dialog>
</template>

<style scoped>
.box {
  display: grid;
  gap: 8px;
  max-height: 94vh;
  padding: 16px 20px;
  overflow: auto;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: var(--ink);
}

h2 {
  font-size: 1.25rem;
  font-weight: 650;
}

.said {
  min-height: 1.5em;
  font-size: 1.0625rem;
  font-weight: 400;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 260px;
  gap: 16px;
}

.bench {
  max-height: 64vh;
  overflow: auto;
  border: 1px solid var(--line);
}

svg {
  display: block;
}

svg.next {
  cursor: crosshair;
}

.mark {
  outline: none;
}

.mark path {
  fill: none;
  stroke: #111;
  stroke-width: 0.12;
}

.mark .under {
  stroke: #fff;
  stroke-width: 0.36;
}

.mark:focus-visible .under {
  stroke: var(--chosen);
}

.mark text {
  fill: #111;
  paint-order: stroke;
  stroke: #fff;
  stroke-width: 0.3;
  font-family: var(--mono);
  font-size: 1.2px;
  font-weight: 700;
}

ol {
  padding-left: 20px;
}

ol .v-btn {
  float: right;
}

li {
  clear: both;
  min-height: 40px;
}

.actions {
  display: flex;
  gap: 12px;
}

@media (max-width: 760px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
