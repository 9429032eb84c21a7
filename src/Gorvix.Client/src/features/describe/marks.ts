import type { BoardFace } from '@/api/client'
import type { Side } from './useBoardPhotos'

/** A point of a board that can be found on its photo. */
export interface KnownPoint {
  id: string
  title: string
  /** From the left edge as the side is seen, in millimetres. */
  x: number
  /** From the rear edge, in millimetres. */
  y: number
  isCorner: boolean
}

const across = (x: number, width: number) => (x < width / 2 ? 'left' : 'right')
const along = (y: number, depth: number) => (y < depth / 2 ? 'rear' : 'front')

/** What can be found on a photo of a side: its corners, clockwise from the front left one, its holes, its pads. */
export function knownPoints(face: BoardFace, side: Side): KnownPoint[] {
  const { width, depth } = face
  const corners = [
    { x: 0, y: depth },
    { x: width, y: depth },
    { x: width, y: 0 },
    { x: 0, y: 0 },
  ]
  const name = (x: number, y: number) => `${along(y, depth)} ${across(x, width)}`
  return [
    ...corners.map(({ x, y }) => ({
      id: `corner ${name(x, y)}`,
      title: `${name(x, y)} corner`,
      x,
      y,
      isCorner: true,
    })),
    ...face.holes.map(({ x, y }) => ({
      id: `hole ${x} ${y}`,
      title: `${name(x, y)} hole`,
      x,
      y,
      isCorner: false,
    })),
    ...face.pads
      .filter((p) => p.side === side)
      .map(({ id, label, x, y }) => ({
        id: `pad ${id}`,
        title: `pad ${label}`,
        x,
        y,
        isCorner: false,
      })),
  ]
}

/** What stands at a mark; its place where the board has nothing there any more. */
export function nameAt(points: KnownPoint[], at: { x: number; y: number }) {
  return points.find((p) => p.x === at.x && p.y === at.y)?.title ?? `${at.x} × ${at.y} mm`
}
