import { mount } from '@vue/test-utils'
import { nextTick } from 'vue'
import { createVuetify } from 'vuetify'
import { expect, test } from 'vitest'
import type { BoardFace as Face, FacePad } from '@/api/client'
import BoardFace from '@/features/board/BoardFace.vue'

const pad = (
  id: string,
  side: FacePad['side'],
  x: number,
  y: number,
  more: Partial<FacePad> = {},
) =>
  ({
    id,
    label: id.toUpperCase(),
    side,
    x,
    y,
    plug: null,
    ports: [],
    words: `pad ${id}`,
    doubt: null,
    ...more,
  }) as FacePad

const face = {
  width: 30,
  depth: 20,
  note: null,
  holes: [],
  usb: 'rear',
  arrow: 'front',
  bridges: [],
  pads: [
    pad('r1', 'top', 5, 5),
    pad('t1', 'top', 15, 5),
    pad('g', 'top', 5, 15, { doubt: 'measure it first' }),
    pad('vb', 'bottom', 10, 10),
  ],
} as unknown as Face

function board(props: Record<string, unknown> = {}) {
  return mount(BoardFace, {
    props: { face, name: 'Bench', ...props },
    global: { plugins: [createVuetify()] },
    attachTo: document.body,
  })
}

const shown = (wrapper: ReturnType<typeof board>) =>
  wrapper.findAll('[data-pad]').map((p) => p.attributes('data-pad'))

test('the pads of one side are drawn, and one alone can be tabbed to', () => {
  const wrapper = board()
  expect(shown(wrapper)).toEqual(['r1', 't1', 'g'])
  expect(wrapper.findAll('[data-pad][tabindex="0"]')).toHaveLength(1)
  wrapper.unmount()
})

test('what lies only on the other side turns the board over, and what lies on both does not', async () => {
  const wrapper = board({ lit: ['r1'] })
  expect(wrapper.get('[data-side]').attributes('data-side')).toBe('top')
  await wrapper.setProps({ lit: ['vb'] })
  expect(shown(wrapper)).toEqual(['vb'])
  await wrapper.setProps({ lit: ['t1', 'vb'] })
  expect(wrapper.get('[data-side]').attributes('data-side')).toBe('bottom')
  wrapper.unmount()
})

test('a pad says what it is, what is on it and what is doubtful about it', () => {
  const wrapper = board({ uses: { r1: 'TX of the receiver' } })
  const words = (id: string) => wrapper.get(`[data-pad="${id}"]`).attributes('aria-label')
  expect(words('r1')).toBe('pad r1; TX of the receiver')
  expect(words('g')).toBe('pad g; unused; measure it first')
  wrapper.unmount()
})

test('pressing a pad, by hand or by Enter, tells who asks', async () => {
  const wrapper = board()
  await wrapper.get('[data-pad="t1"]').trigger('click')
  await wrapper.get('[data-pad="g"]').trigger('keydown', { key: 'Enter' })
  expect(wrapper.emitted('pad')).toEqual([['t1'], ['g']])
  wrapper.unmount()
})

test('the arrows walk to the pad that lies that way on the screen, also when the board is turned', async () => {
  const wrapper = board()
  const next = async (from: string, key: string) => {
    await wrapper.get(`[data-pad="${from}"]`).trigger('keydown', { key })
    await nextTick()
    return wrapper.get('[data-pad][tabindex="0"]').attributes('data-pad')
  }
  // Front is at the foot: g, farther to the rear, lies above r1, and t1 to its right.
  expect(await next('r1', 'ArrowRight')).toBe('t1')
  expect(await next('r1', 'ArrowUp')).toBe('g')
  await wrapper.get('[data-face="turn"]').trigger('click')
  expect(wrapper.get('[data-turn]').attributes('data-turn')).toBe('90')
  expect(await next('r1', 'ArrowDown')).toBe('t1')
  wrapper.unmount()
})

test('a drawing is enlarged in steps and no further than they go', async () => {
  const wrapper = board()
  const less = wrapper.get('[data-zoom="less"]')
  expect(less.attributes('disabled')).toBeDefined()
  for (let i = 0; i < 3; i++) await wrapper.get('[data-zoom="more"]').trigger('click')
  expect(wrapper.get('[data-zoom="more"]').attributes('disabled')).toBeDefined()
  expect(wrapper.get('svg[data-side]').attributes('style')).toContain('300%')
  wrapper.unmount()
})

test('a pad is nudged by Shift and an arrow only where the board is being described', async () => {
  const wrapper = board({ movable: true })
  await wrapper.get('[data-pad="r1"]').trigger('keydown', { key: 'ArrowRight', shiftKey: true })
  const [id, x, y] = wrapper.emitted<[string, number, number]>('move')?.[0] ?? []
  expect([id, y]).toEqual(['r1', 5])
  expect(x).toBeGreaterThan(5)
  const fixed = board()
  await fixed.get('[data-pad="r1"]').trigger('keydown', { key: 'ArrowRight', shiftKey: true })
  expect(fixed.emitted('move')).toBeUndefined()
  wrapper.unmount()
  fixed.unmount()
})
