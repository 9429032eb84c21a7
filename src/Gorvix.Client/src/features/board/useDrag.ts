import { useEventListener } from '@vueuse/core'
import { ref, type Ref } from 'vue'
import type { BoardFace, FacePad } from '@/api/client'
import { place, unplace, type Spot, type Turn } from './face'

/** A pad on its way: how far it is from where it lay, on the screen, in millimetres. */
interface Dragged extends Spot {
  id: string
}

/** Moves pads on a board's face: dragged by the pointer, or half a millimetre at a time by keys. Places are tenths of one. */
export function useDrag(
  props: { face: BoardFace; movable?: boolean; picking?: string | null },
  drawing: Ref<SVGElement | null>,
  turn: Ref<Turn>,
  moved: (id: string, x: number, y: number) => void,
) {
  const dragged = ref<Dragged | null>(null)
  let from: Spot | null = null
  let lay: Spot = { x: 0, y: 0 }

  function pointOf(event: MouseEvent): Spot | null {
    const matrix = (drawing.value as SVGGraphicsElement | null)?.getScreenCTM()?.inverse()
    if (!matrix) return null
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix)
    return { x: point.x, y: point.y }
  }

  function grab(event: PointerEvent, id: string, spot: Spot) {
    if (!props.movable || props.picking || event.button !== 0) return
    from = pointOf(event)
    lay = spot
    if (from) dragged.value = { id, x: 0, y: 0 }
  }
  useEventListener('pointermove', (event) => {
    const to = dragged.value && pointOf(event)
    if (!dragged.value || !to || !from) return
    dragged.value = { id: dragged.value.id, x: to.x - from.x, y: to.y - from.y }
  })
  useEventListener('pointerup', () => {
    const at = dragged.value
    dragged.value = null
    // A press that hardly moves is a press.
    if (at && Math.hypot(at.x, at.y) > 0.4) put(at.id, { x: lay.x + at.x, y: lay.y + at.y })
  })

  /** The place on the board, in its own millimetres, that lies at a point of the drawing; the nearest one of its edge beyond it. */
  function onBoard(spot: Spot): Spot {
    const to = unplace(props.face, spot, turn.value)
    const within = (value: number, most: number) =>
      Math.round(Math.min(Math.max(value, 0), most) * 10) / 10
    return { x: within(to.x, props.face.width), y: within(to.y, props.face.depth) }
  }
  function spotOf(event: MouseEvent): Spot | null {
    const at = pointOf(event)
    return at && onBoard(at)
  }
  function put(id: string, spot: Spot) {
    const to = onBoard(spot)
    moved(id, to.x, to.y)
  }
  function nudge(pad: FacePad, way: Spot) {
    const spot = place(props.face, pad, turn.value)
    put(pad.id, { x: spot.x + way.x / 2, y: spot.y + way.y / 2 })
  }
  return { dragged, grab, nudge, spotOf }
}
