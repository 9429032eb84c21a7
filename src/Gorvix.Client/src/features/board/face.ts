import type { BoardFace, FacePad, PadUse } from '@/api/client'

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
 * Where a point of the board lies on the screen: the board is told from its left and rear edge as its side is seen;
 * the rear edge is nearest to the reader, at the foot of the screen. Turns go clockwise.
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

/** The other way round: the point of the board, in its own millimetres, that lies at a point of the screen. */
export function unplace(face: BoardFace, spot: Spot, turn: Turn): Spot {
  const from = (x: number, y: number) => ({ x, y: face.depth - y })
  switch (turn) {
    case 90:
      return from(spot.y, face.depth - spot.x)
    case 180:
      return from(face.width - spot.x, face.depth - spot.y)
    case 270:
      return from(face.width - spot.y, spot.x)
    default:
      return from(spot.x, spot.y)
  }
}

const clockwise: Edge[] = ['front', 'right', 'rear', 'left']

/** The edge of the screen (front is its top) at which an edge lies that is told as seen from the top of the board. */
export function edgeOnScreen(edge: Edge, side: Side, turn: Turn): Edge {
  const seen = side === 'bottom' && (edge === 'left' || edge === 'right')
  const own = seen ? (edge === 'left' ? 'right' : 'left') : edge
  return clockwise[(clockwise.indexOf(own) + turn / 90) % 4] ?? own
}

/** The turn that brings the front up; none where no manual says where the front is. */
export function frontUp(arrow: Edge | null, side: Side): Turn {
  const turns: Turn[] = [0, 90, 180, 270]
  return turns.find((turn) => arrow && edgeOnScreen(arrow, side, turn) === 'front') ?? 0
}

/** Pads this near to each other, in millimetres, stand in one row. */
const near = 7
/** The room that a label takes beside its pad, in millimetres. */
const reach = 5.2

/**
 * The way from a pad to the room for its label: across the row that it stands in, towards the middle; a pad that stands
 * alone, away from the nearest edge of the screen. Where another pad lies on that way, the first way that is free.
 */
export function inward(spot: Spot, all: Spot[], size: Spot): Edge {
  const from = all
    .map((s) => ({ x: s.x - spot.x, y: s.y - spot.y }))
    .filter((d) => Math.abs(d.x) > 0.1 || Math.abs(d.y) > 0.1)
  const row = from.filter((d) => Math.abs(d.y) < 0.7 && Math.abs(d.x) < near).length
  const column = from.filter((d) => Math.abs(d.x) < 0.7 && Math.abs(d.y) < near).length
  const side: Edge = spot.x < size.x / 2 ? 'right' : 'left'
  const down: Edge = spot.y < size.y / 2 ? 'rear' : 'front'
  const toSide = Math.min(spot.x, size.x - spot.x)
  const toEnd = Math.min(spot.y, size.y - spot.y)
  const first = row !== column ? (row > column ? down : side) : toSide <= toEnd ? side : down
  const blocked: Record<Edge, (d: Spot) => boolean> = {
    right: (d) => Math.abs(d.y) < 1 && d.x > 0 && d.x < reach,
    left: (d) => Math.abs(d.y) < 1 && d.x < 0 && d.x > -reach,
    rear: (d) => Math.abs(d.x) < 1 && d.y > 0 && d.y < reach,
    front: (d) => Math.abs(d.x) < 1 && d.y < 0 && d.y > -reach,
  }
  const ways: Edge[] = [first, side, down, 'front', 'rear', 'right', 'left']
  return ways.find((way) => !from.some(blocked[way])) ?? first
}

/** A rectangle of the drawing, in millimetres. */
export interface Box {
  left: number
  top: number
  right: number
  bottom: number
}

/** Where the label of a pad stands, and how much smaller than usual it is so that it fits. */
export interface Label {
  x: number
  y: number
  anchor: 'start' | 'end'
  turned: 0 | -90
  scale: number
  box: Box
}

/** The height of letters, the width of one, and the room between a pad and its label, in millimetres. */
export const letters = 1.55
const letter = letters * 0.6
const gap = 0.35

export const around = (at: Spot, half: number): Box => ({
  left: at.x - half,
  top: at.y - half,
  right: at.x + half,
  bottom: at.y + half,
})
const meet = (a: Box, b: Box) =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom

function labelAt(spot: Spot, half: number, text: string, way: Edge, scale: number): Label {
  const long = text.length * letter * scale
  const high = letters * 0.4 * scale
  const away = half + gap
  switch (way) {
    case 'right':
    case 'left': {
      const x = way === 'right' ? spot.x + away : spot.x - away
      const box = { left: x, right: x, top: spot.y - high, bottom: spot.y + high }
      return way === 'right'
        ? { x, y: spot.y, anchor: 'start', turned: 0, scale, box: { ...box, right: x + long } }
        : { x, y: spot.y, anchor: 'end', turned: 0, scale, box: { ...box, left: x - long } }
    }
    default: {
      const y = way === 'rear' ? spot.y + away : spot.y - away
      const box = { left: spot.x - high, right: spot.x + high, top: y, bottom: y }
      return way === 'rear'
        ? { x: spot.x, y, anchor: 'end', turned: -90, scale, box: { ...box, bottom: y + long } }
        : { x: spot.x, y, anchor: 'start', turned: -90, scale, box: { ...box, top: y - long } }
    }
  }
}

/**
 * A place for each label: on the board, over no pad, no mark and no other label, across the row that its pad stands in where that is free, smaller
 * where it does not fit otherwise. A label for which there is no room is left out; it is told when the pad is pointed at.
 */
export function labelsOf(
  pads: { spot: Spot; half: number; text: string | null }[],
  marks: Box[],
  size: Spot,
): (Label | null)[] {
  const spots = pads.map((p) => p.spot)
  const copper = pads.map((p) => around(p.spot, p.half + 0.15))
  const placed = [...marks]
  return pads.map(({ spot, half, text }, i) => {
    if (!text) return null
    const ways = new Set<Edge>([inward(spot, spots, size), 'right', 'left', 'front', 'rear'])
    for (const scale of [1, 0.85, 0.7]) {
      for (const way of ways) {
        const label = labelAt(spot, half, text, way, scale)
        const { box } = label
        const isOnBoard =
          box.left > 0.15 &&
          box.top > 0.15 &&
          box.right < size.x - 0.15 &&
          box.bottom < size.y - 0.15
        if (
          isOnBoard &&
          !copper.some((b, j) => j !== i && meet(b, box)) &&
          !placed.some((b) => meet(b, box))
        ) {
          placed.push(box)
          return label
        }
      }
    }
    return null
  })
}

/** The directions of the arrow keys on the screen. */
export const ways: Record<string, Spot> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
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

/** What is on each pad, in words, by its id. */
export function usesOf(pads: PadUse[]): Record<string, string> {
  const words: Record<string, string> = {}
  for (const { pad, words: own } of pads) words[pad] = words[pad] ? `${words[pad]}, ${own}` : own
  return words
}
