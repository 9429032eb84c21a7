import { ref, type Ref } from 'vue'

/** Pixels that a pointer may tremble while it only presses. */
const still = 6

/** Drags a device of the picture: how far it is from its place, and where it was let go, both in the picture's millimetres. */
export function useDeviceDrag(
  drawing: Readonly<Ref<SVGSVGElement | null>>,
  isOn: () => boolean,
  drop: (id: string, x: number, y: number) => void,
) {
  const dragged = ref<{ id: string; x: number; y: number } | null>(null)

  function grab(event: PointerEvent, id: string) {
    const svg = drawing.value
    const matrix = svg?.getScreenCTM()
    if (!isOn() || !svg || !matrix || event.button !== 0) return
    const target = event.currentTarget as SVGElement
    const from = { x: event.clientX, y: event.clientY }
    const away = (e: PointerEvent) => ({ x: e.clientX - from.x, y: e.clientY - from.y })
    target.setPointerCapture(event.pointerId)
    const move = (e: PointerEvent) => {
      const by = away(e)
      if (!dragged.value && Math.hypot(by.x, by.y) < still) return
      dragged.value = { id, x: by.x / matrix.a, y: by.y / matrix.d }
    }
    const end = (e: PointerEvent) => {
      target.removeEventListener('pointermove', move)
      target.removeEventListener('pointerup', end)
      target.removeEventListener('pointercancel', end)
      const was = dragged.value
      dragged.value = null
      if (!was || e.type === 'pointercancel') return
      // The press that ends a drag chooses nothing.
      target.addEventListener('click', (c) => c.stopPropagation(), { capture: true, once: true })
      const to = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix.inverse())
      drop(id, to.x, to.y)
    }
    target.addEventListener('pointermove', move)
    target.addEventListener('pointerup', end)
    target.addEventListener('pointercancel', end)
  }

  /** A finger on a device drags it and does not scroll. (What the style sheet says of touch is not heard inside a drawing.) */
  function keep(event: TouchEvent) {
    if (isOn() && event.cancelable) event.preventDefault()
  }

  return { dragged, grab, keep }
}
