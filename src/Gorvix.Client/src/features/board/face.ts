import type { BoardFace, FacePad } from '@/api/client'

export type Side = FacePad['side']
export type Turn = 0 | 90 | 180 | 270
export type Edge = NonNullable<BoardFace['usb']>

/** A point of the drawing in millimetres: from the left, from the top of the screen. */
export interface Spot {
  x: number
  y: number
}

/** Size of the drawing after its quarter turns. */
export function sizeOf(face: BoardFace, turn: Turn): Spot {
  return turn % 180 === 0 ? { x: face.width, y: face.depth } : { x: face.depth, y: face.width }
}

/**
 * Where a point of the board lies on the screen: the board is told from its left and front edge as its side is seen;
 * the front edge is nearest to the reader, at the foot of the screen. Turns go clockwise.
 */
export function place(face: BoardFace, at: Spot, turn: Turn): Spot {
  const [x, y] = [at.x, face.depth - at.y]
  switch (turn) {
    case 90:
      return { x: face.depth - y, y: x }
    case 180:
      return { x: face.width - x, y: face.depth - y }
    case 270:
      return { x: y, y: face.width - x }
    default:
      return { x, y }
  }
}

const clockwise: Edge[] = ['rear', 'right', 'front', 'left']

/** The edge of the screen (rear is its top) at which an edge lies that is told as seen from the top of the board. */
export function edgeOnScreen(edge: Edge, side: Side, turn: Turn): Edge {
  const seen = side === 'bottom' && (edge === 'left' || edge === 'right')
  const own = seen ? (edge === 'left' ? 'right' : 'left') : edge
  return clockwise[(clockwise.indexOf(own) + turn / 90) % 4] ?? own
}

/** The way from a pad to the room for its label: away from the edge of the screen that is nearest. */
export function inward(spot: Spot, size: Spot): Edge {
  const ways: [Edge, number][] = [
    ['right', spot.x],
    ['left', size.x - spot.x],
    ['front', spot.y],
    ['rear', size.y - spot.y],
  ]
  return ways.reduce((best, way) => (way[1] < best[1] ? way : best))[0]
}

/** The index of the nearest spot in a direction, or -1: what lies straight ahead before what lies aside. */
export function nextIn(spots: Spot[], from: number, way: Spot): number {
  const here = spots[from]
  if (!here) return -1
  let best = -1
  let least = Infinity
  spots.forEach((spot, i) => {
    const [dx, dy] = [spot.x - here.x, spot.y - here.y]
    const ahead = dx * way.x + dy * way.y
    const aside = Math.abs(dx * way.y + dy * way.x)
    if (i === from || ahead < 0.05) return
    const far = ahead + 2.5 * aside
    if (far < least) [least, best] = [far, i]
  })
  return best
}
