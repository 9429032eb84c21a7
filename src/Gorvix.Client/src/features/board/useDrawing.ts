import { computed, type Ref } from 'vue'
import type { BoardFace, FacePad } from '@/api/client'
import {
  around,
  edgeOnScreen,
  labelsOf,
  letters,
  place,
  sizeOf,
  type Label,
  type Side,
  type Spot,
  type Turn,
} from './face'

/** A pad as it is drawn. */
export interface Drawn {
  pad: FacePad
  spot: Spot
  state: 'lit' | 'near' | 'used' | 'free'
  /** Half the width of its copper; pins of a plug are small. */
  half: number
  label: Label | null
}

/** Room round the board for the USB socket, in millimetres. */
const margin = 2.5

/** Everything of one side of a board, where it lies on the screen: pads, plugs, holes, socket and arrow. */
export function useDrawing(
  props: { face: BoardFace; lit?: string[]; near?: string[]; uses?: Record<string, string> },
  side: Ref<Side>,
  turn: Ref<Turn>,
  zoom: Ref<number>,
) {
  const size = computed(() => sizeOf(props.face, turn.value))
  const box = computed(() => ({ x: size.value.x + 2 * margin, y: size.value.y + 2 * margin }))

  const pads = computed<Drawn[]>(() => {
    const here = props.face.pads.filter((pad) => pad.side === side.value)
    const drawn = here.map((pad) => {
      const state = stateOf(pad.id)
      // Pins stand too close for a label each: those in sight have one, the others when the board is large.
      const told = !pad.plug || state === 'lit' || zoom.value >= 2
      return {
        pad,
        spot: place(props.face, pad, turn.value),
        state,
        half: pad.plug ? 0.5 : 0.8,
        text: told ? pad.label : null,
      }
    })
    const labels = labelsOf(drawn, marks(drawn), size.value)
    return drawn.map(({ pad, spot, state, half }, i) => ({
      pad,
      spot,
      state,
      half,
      label: labels[i] ?? null,
    }))
  })

  /** What no label covers: names of plugs, jumpers, the arrow, the USB socket. */
  function marks(drawn: { pad: FacePad; spot: Spot }[]) {
    const names = zoom.value < 2 ? plugsOf(drawn) : []
    return [
      ...names.map(({ label, name }) => {
        const long = label.length * letters * 0.6
        const left =
          name.anchor === 'start'
            ? name.x
            : name.anchor === 'end'
              ? name.x - long
              : name.x - long / 2
        return { left, right: left + long, top: name.y - 0.65, bottom: name.y + 0.65 }
      }),
      ...bridges.value.map(({ spot, width }) => ({
        left: spot.x - width,
        right: spot.x + width,
        top: spot.y - 1,
        bottom: spot.y + 1,
      })),
      ...(usb.value ? [around(usb.value, 2.4)] : []),
    ]
  }

  function stateOf(id: string): Drawn['state'] {
    if (props.lit?.includes(id)) return 'lit'
    if (props.near?.includes(id)) return 'near'
    return props.uses?.[id] ? 'used' : 'free'
  }

  /** The plugs of this side, each as the box round its pins. */
  const plugs = computed(() => plugsOf(pads.value))
  function plugsOf(drawn: { pad: FacePad; spot: Spot }[]) {
    const by = new Map<string, Spot[]>()
    for (const { pad, spot } of drawn)
      if (pad.plug) by.set(pad.plug, [...(by.get(pad.plug) ?? []), spot])
    return [...by].map(([label, spots]) => {
      const [xs, ys] = [spots.map((s) => s.x), spots.map((s) => s.y)]
      const [left, top] = [Math.min(...xs) - 1.1, Math.min(...ys) - 1.1]
      return {
        label,
        left,
        top,
        width: Math.max(...xs) + 1.1 - left,
        height: Math.max(...ys) + 1.1 - top,
        name: nameOf({
          x: (Math.min(...xs) + Math.max(...xs)) / 2,
          y: (Math.min(...ys) + Math.max(...ys)) / 2,
        }),
      }
    })
  }

  /** A plug's name stands between it and the middle of the board. */
  function nameOf(at: Spot) {
    const [dx, dy] = [size.value.x / 2 - at.x, size.value.y / 2 - at.y]
    const wide = Math.abs(dx) >= Math.abs(dy)
    return wide
      ? { x: at.x + Math.sign(dx) * 2.2, y: at.y, anchor: dx > 0 ? 'start' : 'end' }
      : { x: at.x, y: at.y + Math.sign(dy) * 2.4, anchor: 'middle' }
  }

  /** The bridges of this side: a row of small pads, with the label beside it. */
  const bridges = computed(() =>
    props.face.bridges
      .filter((b) => b.side === side.value)
      .map((b) => ({ bridge: b, spot: place(props.face, b, turn.value), width: b.pads * 0.9 })),
  )

  const holes = computed(() => props.face.holes.map((h) => place(props.face, h, turn.value)))
  const middle = computed(() => ({ x: size.value.x / 2, y: size.value.y / 2 }))

  /** The middle of an edge of the screen, and how far a drawing that points to its top is turned there. */
  function edge(of: BoardFace['usb']) {
    if (!of) return null
    const { x, y } = size.value
    switch (edgeOnScreen(of, side.value, turn.value)) {
      case 'front':
        return { x: x / 2, y: 0, turned: 0 }
      case 'right':
        return { x, y: y / 2, turned: 90 }
      case 'rear':
        return { x: x / 2, y, turned: 180 }
      default:
        return { x: 0, y: y / 2, turned: 270 }
    }
  }
  const usb = computed(() => edge(props.face.usb))
  const arrow = computed(() => edge(props.face.arrow))

  return { margin, size, box, pads, plugs, bridges, holes, middle, usb, arrow }
}
