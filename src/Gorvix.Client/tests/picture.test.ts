import { expect, test } from 'vitest'
import type { PictureWire, WiringPicture } from '@/api/client'
import { dropped, flow, moved, paint, rounded } from '@/features/picture/drawing'
import { limits } from '@/api/limits'

const device = (id: string, edge: 'left' | 'right', y: number) => ({
  id,
  edge,
  box: { x: edge === 'left' ? 4 : 150, y, width: 30, height: 20 },
  isTurned: false,
  name: [],
  leads: [],
})
const picture = {
  width: 200,
  height: 100,
  devices: [device('a', 'left', 0), device('b', 'left', 40), device('c', 'right', 10)],
} as unknown as WiringPicture
const wire = (some: Partial<PictureWire>) =>
  ({ colours: [], flow: 'toBoard', flowAt: { x: 10, y: 5 }, ...some }) as PictureWire

test('a device goes along its column, to the other side at its height, and not beyond the ends', () => {
  expect(moved(picture, 'a', 'down')).toEqual({ edge: 'left', place: 1, turned: null })
  expect(moved(picture, 'a', 'up')).toBeNull()
  expect(moved(picture, 'b', 'down')).toBeNull()
  expect(moved(picture, 'b', 'right')).toEqual({ edge: 'right', place: 1, turned: null })
  expect(moved(picture, 'a', 'left')).toBeNull()
  expect(moved(picture, 'none', 'up')).toBeNull()
})

test('where a device is let go tells its side and its place among the others', () => {
  expect(dropped(picture, 'a', 190, 5)).toEqual({ edge: 'right', place: 0, turned: null })
  expect(dropped(picture, 'a', 190, 60)).toEqual({ edge: 'right', place: 1, turned: null })
  expect(dropped(picture, 'a', 10, 90)).toEqual({ edge: 'left', place: 1, turned: null })
})

test('bends are round, and never longer than half of what they join', () => {
  const points = [
    { x: 0, y: 0 },
    { x: 10, y: 0 },
    { x: 10, y: 1 },
  ]
  expect(rounded(points)).toBe('M0 0L9.5 0Q10 0 10 0.5L10 1')
  expect(rounded(points.slice(0, 2))).toBe('M0 0L10 0')
})

test('light insulation needs an edge on light ground, dark insulation on dark, and none is known where no manual says it', () => {
  limits.wireColours = { white: '#ffffff', black: '#1c1c1c', green: '#2e7d32' }
  expect(paint(wire({ colours: ['white'] }))).toMatchObject({ first: '#ffffff', tone: 'pale' })
  expect(paint(wire({ colours: ['black', 'green'] }))).toEqual({
    first: '#1c1c1c',
    second: '#2e7d32',
    tone: 'deep',
  })
  expect(paint(wire({}))).toEqual({ first: null, second: null, tone: '' })
  expect(paint(wire({ colours: ['octarine'] })).first).toBeNull()
})

test('the arrow points to the board, wherever that is', () => {
  const tip = (edge: 'left' | 'right', to: PictureWire['flow']) =>
    /l(-?[\d.]+) 0\.75/.exec(flow(wire({ flow: to }), edge))?.[1]
  expect(tip('left', 'toBoard')).toBe('1.2')
  expect(tip('right', 'toBoard')).toBe('-1.2')
  expect(tip('left', 'toDevice')).toBe('-1.2')
  expect(flow(wire({ flow: 'both' }), 'left').match(/z/g)).toHaveLength(2)
})
