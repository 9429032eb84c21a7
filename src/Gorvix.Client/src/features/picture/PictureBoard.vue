<script setup lang="ts">
import type { WiringPicture } from '@/api/client'
import { computed } from 'vue'
import PictureLine from './PictureLine.vue'

/** One side of the board as the picture has it: outline, holes, USB, the arrow to the front, sockets and jumpers; its pads lie above the wires. */
const props = defineProps<{
  face: WiringPicture['faces'][number]
  /** The jumper that is looked at. */
  jumper?: string | null
  /** Address of the straightened photo of this side. */
  photo?: string | null
}>()

/** The photo lies as the board does: turned, so that its front is up. */
const lay = computed(() => {
  const { x, y, width, height, turn } = props.face
  if (!props.photo || turn === null) return null
  const [own, deep] = turn % 2 === 0 ? [width, height] : [height, width]
  const transform = `translate(${x + width / 2} ${y + height / 2}) rotate(${turn * 90}) translate(${-own / 2} ${-deep / 2})`
  return { href: props.photo, width: own, height: deep, transform }
})
</script>

<template>
  <g :data-side="face.side">
    <PictureLine class="name" :of="face.title" />
    <rect
      class="board"
      :x="face.x"
      :y="face.y"
      :width="face.width"
      :height="face.height"
      rx="1.4"
    />
    <image v-if="lay" class="under" preserveAspectRatio="none" v-bind="lay" />
    <circle v-for="(h, i) in face.holes" :key="i" class="hole" :cx="h.x" :cy="h.y" r="2.6" />
    <g v-if="face.usb">
      <rect
        class="usb"
        :x="face.usb.x"
        :y="face.usb.y"
        :width="face.usb.width"
        :height="face.usb.height"
      />
      <text
        class="print quiet"
        text-anchor="middle"
        font-size="1.5"
        :x="face.usb.x + face.usb.width / 2"
        :y="face.usb.y + face.usb.height / 2"
        :transform="
          face.usb.height > face.usb.width
            ? `rotate(-90 ${face.usb.x + face.usb.width / 2} ${face.usb.y + face.usb.height / 2})`
            : undefined
        "
      >
        USB
      </text>
    </g>
    <path
      v-if="face.arrow"
      class="arrow"
      :d="`M${face.arrow.x} ${face.arrow.y + 2.2}v-4.4m-1.4 1.6l1.4 -1.6l1.4 1.6`"
    />
    <g v-for="s in face.sockets" :key="s.id">
      <rect class="socket" :x="s.box.x" :y="s.box.y" :width="s.box.width" :height="s.box.height" />
      <PictureLine class="print quiet" :of="s.name" />
    </g>
    <g
      v-for="j in face.jumpers"
      :key="j.id"
      class="jumper"
      :class="{ lit: j.id === jumper }"
      :data-jumper="j.id"
    >
      <title>{{ j.step ? `${j.id}, step ${j.step}` : j.id }}</title>
      <PictureLine class="print quiet" :of="j.name" />
      <rect
        v-for="i in j.pads"
        :key="i"
        :x="j.x + (i - 1 - j.pads / 2) * 1.8"
        :y="j.y - 0.9"
        width="1.4"
        height="1.8"
      />
      <rect
        v-if="j.closed != null"
        class="closed"
        :x="j.x + (j.closed - j.pads / 2) * 1.8 + 0.7"
        :y="j.y - 0.4"
        width="1.8"
        height="0.8"
      />
    </g>
  </g>
</template>

<style scoped src="./picture.css"></style>
