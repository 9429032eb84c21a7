import { describe, expect, it } from 'vitest'
import type { BoardFace } from '@/api/client'
import {
  around,
  edgeOnScreen,
  frontUp,
  inward,
  labelsOf,
  nextIn,
  place,
  sizeOf,
  type Box,
} from '@/features/board/face'

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

  it('writes no label over the outline, a pad, a mark or another label, smaller where it must, and none where there is no room', () => {
    const size = { x: 30, y: 20 }
    const column = (x: number) => [2, 5, 8, 11].map((y) => ({ spot: { x, y }, half: 0.8 }))
    const pads = [
      ...column(3).map((p, i) => ({ ...p, text: `R${i + 1}` })),
      ...column(6).map((p, i) => ({ ...p, text: `T${i + 1}` })),
      { spot: { x: 15, y: 19 }, half: 0.8, text: 'A VERY LONG LABEL, LONGER THAN ITS BOARD IS' },
      { spot: { x: 25, y: 10 }, half: 0.8, text: null },
    ]
    const mark = { left: 9.2, right: 12, top: 1, bottom: 3 }
    const labels = labelsOf(pads, [mark], size)
    expect(labels.slice(0, 8).every((l) => l !== null)).toBe(true)
    expect(labels[8]).toBeNull()
    expect(labels[9]).toBeNull()
    const boxes = labels.flatMap((l) => (l ? [l.box] : []))
    const apart = (a: Box, b: Box) =>
      a.right <= b.left || b.right <= a.left || a.bottom <= b.top || b.bottom <= a.top
    for (const [i, box] of boxes.entries()) {
      expect(box.left > 0 && box.right < size.x && box.top > 0 && box.bottom < size.y).toBe(true)
      expect(apart(box, mark)).toBe(true)
      expect(boxes.slice(i + 1).every((b) => apart(box, b))).toBe(true)
      expect(pads.every((p) => apart(box, around(p.spot, p.half)))).toBe(true)
    }
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

  it('turns the front up, whichever edge it is at and whichever side is seen', () => {
    expect(frontUp('front', 'top')).toBe(0)
    // A board whose arrow points left is turned clockwise by a quarter; from below it points right.
    expect(frontUp('left', 'top')).toBe(90)
    expect(frontUp('left', 'bottom')).toBe(270)
    expect(frontUp('right', 'top')).toBe(270)
    expect(frontUp('rear', 'bottom')).toBe(180)
    expect(frontUp(null, 'top')).toBe(0)
  })
})
