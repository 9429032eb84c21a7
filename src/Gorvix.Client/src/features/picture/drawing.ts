import type { PictureWire, WiringPicture } from '@/api/client'
import { limits } from '@/api/limits'

export type Device = WiringPicture['devices'][number]
export type Edge = Device['edge']
/** Where the builder puts a device; what is missing the picture chooses. */
export interface PictureSpot {
  edge: Edge | null
  place: number | null
  turned: boolean | null
}

/** How a wire is drawn for what the picture is looked at for. */
export interface WireLook {
  /** How thick, in millimetres; as all others where it is missing. */
  width?: number
  /** What is wrong with what it carries. */
  alarm?: 'stop' | 'warn'
  /** How much of the suspicion lies on it, 0 to 1. */
  share?: number
  /** What is said of it before all else. */
  note?: string
}

/** Where a tip of the meter goes: to a lead at its device, by its wire, or to a pad. */
export interface Probe {
  tip: 'red' | 'black'
  wire?: string | null
  pad?: string | null
}

type Point = PictureWire['points'][number]

const bend = 1.1

const way = (a: Point, b: Point) => Math.abs(a.x - b.x) + Math.abs(a.y - b.y)

function toward(from: Point, to: Point, by: number) {
  const far = way(from, to)
  if (far === 0) return from
  return { x: from.x + ((to.x - from.x) * by) / far, y: from.y + ((to.y - from.y) * by) / far }
}

/** A line through points whose bends are round. */
export function rounded(points: Point[]): string {
  return points
    .map((at, i) => {
      const [before, after] = [points[i - 1], points[i + 1]]
      if (!before) return `M${at.x} ${at.y}`
      if (!after) return `L${at.x} ${at.y}`
      const by = Math.min(bend, Math.min(way(before, at), way(at, after)) / 2)
      const [from, to] = [toward(at, before, by), toward(at, after, by)]
      return `L${from.x} ${from.y}Q${at.x} ${at.y} ${to.x} ${to.y}`
    })
    .join('')
}

/** How bright a colour is, from 0 to 1. */
function brightness(hex: string) {
  const of = (at: number) => parseInt(hex.slice(at, at + 2), 16) / 255
  return 0.3 * of(1) + 0.59 * of(3) + 0.11 * of(5)
}

export interface Paint {
  /** The colour of the insulation; null where no manual says it. */
  first: string | null
  /** The second of a striped one. */
  second: string | null
  /** Needs an edge on light ground, or on dark ground. */
  tone: 'pale' | 'deep' | ''
}

/** The colours in which a wire is drawn. */
export function paint(wire: Pick<PictureWire, 'colours'>): Paint {
  const [first, second] = wire.colours.map((c) => limits.wireColours[c] ?? null)
  const bright = first ? brightness(first) : 0.5
  return {
    first: first ?? null,
    second: second ?? null,
    tone: bright > 0.6 ? 'pale' : bright < 0.36 ? 'deep' : '',
  }
}

/** The heads of the arrow that shows which way signals run, towards the board where they go there. */
export function flow(wire: PictureWire, edge: Edge): string {
  const toBoard = edge === 'left' ? 1 : -1
  const { x, y } = wire.flowAt
  const head = (at: number, to: number) => `M${at} ${y - 0.75}l${1.2 * to} 0.75l${-1.2 * to} 0.75z`
  if (wire.flow === 'both')
    return head(x + 0.2 * toBoard, toBoard) + head(x - 0.2 * toBoard, -toBoard)
  const to = wire.flow === 'toBoard' ? toBoard : -toBoard
  return head(x - 0.6 * to, to)
}

/** A line that rests low: the pulse train as it is drawn everywhere, turned over. */
export const pulse = (at: Point) => `M${at.x - 2.5} ${at.y + 0.7}h1v-1.4h1v1.4h1v-1.4h1v1.4h1`

/** Two strands wound round each other: this wire, and the one that it is twisted with. */
export function twist(at: Point): [string, string] {
  const strand = (rise: number) => `M${at.x - 1.8} ${at.y}q.45 ${rise} .9 0t.9 0t.9 0t.9 0`
  return [strand(-1.3), strand(1.3)]
}

/** A device's place after it was moved: to the other side of the board, or along its column. */
export function moved(picture: WiringPicture, id: string, to: 'left' | 'right' | 'up' | 'down') {
  const device = picture.devices.find((d) => d.id === id)
  if (!device) return null
  const column = (edge: Edge) => picture.devices.filter((d) => d.edge === edge)
  const own = column(device.edge)
  const at = own.findIndex((d) => d.id === id)
  const spot = (edge: Edge, place: number): PictureSpot => ({ edge, place, turned: null })
  if (to === 'left' || to === 'right') {
    if (to === device.edge) return null
    const above = column(to).filter((d) => d.box.y < device.box.y).length
    return spot(to, above)
  }
  const place = at + (to === 'up' ? -1 : 1)
  return place < 0 || place >= own.length ? null : spot(device.edge, place)
}

/** A device's place where it was let go. */
export function dropped(picture: WiringPicture, id: string, x: number, y: number): PictureSpot {
  const edge: Edge = x < picture.width / 2 ? 'left' : 'right'
  const others = picture.devices.filter((d) => d.edge === edge && d.id !== id)
  const place = others.filter((d) => d.box.y + d.box.height / 2 < y).length
  return { edge, place, turned: null }
}

/** The tips of the meter at a check. */
export const probesOf = (
  check?: Partial<Record<'redWire' | 'redPad' | 'blackWire' | 'blackPad', string | null>>,
): Probe[] => [
  { tip: 'red', wire: check?.redWire, pad: check?.redPad },
  { tip: 'black', wire: check?.blackWire, pad: check?.blackPad },
]

/** Where a probe goes in the picture; null where that is not drawn. */
export function pointOf(picture: WiringPicture, probe: Probe): Point | null {
  const lead = picture.wires.find((w) => w.id === probe.wire)?.points[0]
  const pad = picture.faces.flatMap((f) => f.pads).find((p) => p.id === probe.pad)
  return lead ?? (pad ? { x: pad.x, y: pad.y } : null)
}

/** How thick a wire is drawn for what flows in it: the area goes with the current, up to what its lane has room for. */
export const thick = (amps: number) => Math.min(1.3, 0.35 + 0.7 * Math.sqrt(amps))
