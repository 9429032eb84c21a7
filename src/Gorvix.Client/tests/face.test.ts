import { describe, expect, it } from 'vitest'
import type { BoardFace } from '@/api/client'
import { edgeOnScreen, inward, nextIn, place, sizeOf } from '@/features/board/face'

const face = { width: 30, depth: 20 } as BoardFace

describe('the face of a board', () => {
  it('lies with its rear edge at the foot of the screen', () => {
    expect(place(face, { x: 2, y: 1 }, 0)).toEqual({ x: 2, y: 19 })
  })

  it('turns clockwise in quarters, and four of them bring it back', () => {
    // The rear left corner goes to the front left, the front right, the rear right.
    expect(place(face, { x: 2, y: 1 }, 90)).toEqual({ x: 1, y: 2 })
    expect(place(face, { x: 2, y: 1 }, 180)).toEqual({ x: 28, y: 1 })
    expect(place(face, { x: 2, y: 1 }, 270)).toEqual({ x: 19, y: 28 })
    expect(sizeOf(face, 90)).toEqual({ x: 20, y: 30 })
  })

  it('shows what is at the left of its top at the right when it lies on its back', () => {
    expect(edgeOnScreen('left', 'top', 0)).toBe('left')
    expect(edgeOnScreen('left', 'bottom', 0)).toBe('right')
    expect(edgeOnScreen('front', 'bottom', 0)).toBe('front')
    expect(edgeOnScreen('front', 'top', 90)).toBe('right')
    expect(edgeOnScreen('left', 'bottom', 90)).toBe('rear')
  })

  it('keeps every point inside its drawing at every turn', () => {
    for (const turn of [0, 90, 180, 270] as const) {
      const size = sizeOf(face, turn)
      for (const at of [
        { x: 0, y: 0 },
        { x: 30, y: 20 },
        { x: 30, y: 0 },
      ]) {
        const spot = place(face, at, turn)
        expect(spot.x >= 0 && spot.x <= size.x && spot.y >= 0 && spot.y <= size.y).toBe(true)
      }
    }
  })

  it('writes a label across the row that its pad stands in', () => {
    const size = { x: 30, y: 30 }
    const column = [1, 4, 7].map((y) => ({ x: 2, y }))
    // The first of a column stands in a corner: its label goes the way of the others.
    expect(column.map((s) => inward(s, column, size))).toEqual(['right', 'right', 'right'])
    const row = [10, 13, 16].map((x) => ({ x, y: 29 }))
    expect(row.map((s) => inward(s, row, size))).toEqual(['front', 'front', 'front'])
    expect(inward({ x: 28, y: 15 }, [], size)).toBe('left')
    // Two abreast at the end of a column: the outer one writes past neither of them.
    const pair = [...column, { x: 5, y: 1 }]
    expect(inward({ x: 2, y: 1 }, pair, size)).toBe('front')
    expect(inward({ x: 5, y: 1 }, pair, size)).toBe('rear')
  })

  it('walks to what lies straight ahead before what lies aside, and stays where there is nothing', () => {
    const spots = [
      { x: 0, y: 0 },
      { x: 3, y: 2 },
      { x: 6, y: 0 },
      { x: 0, y: 3 },
    ]
    expect(nextIn(spots, 0, { x: 1, y: 0 })).toBe(2)
    expect(nextIn(spots, 0, { x: 0, y: 1 })).toBe(3)
    expect(nextIn(spots, 0, { x: -1, y: 0 })).toBe(-1)
    expect(nextIn(spots, 9, { x: 1, y: 0 })).toBe(-1)
  })
})
