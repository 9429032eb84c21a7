import { mount } from '@vue/test-utils'
import { nextTick } from 'vue'
import { expect, test } from 'vitest'
import type { FitCell, FitSheet } from '@/api/client'
import FitGrid from '@/features/fit/FitGrid.vue'

const cell = (port: string, state: FitCell['state'], more: Partial<FitCell> = {}): FitCell =>
  ({
    port,
    state,
    text: `${state} text`,
    code: null,
    sentence: '',
    mark: null,
    quiet: false,
    ...more,
  }) as FitCell

const port = (id: string) => ({
  id,
  name: `UART${id.slice(1)}`,
  words: id,
  rxPads: [],
  txPads: [],
  heldBy: null,
})

const sheet = {
  board: 'Bench',
  controller: 'F4',
  ports: [port('U1'), port('U2'), port('U3')],
  conflicts: [{ link: 'gps', links: ['rc'] }],
  links: [
    {
      id: 'rc',
      need: 'RC link',
      device: 'Sedge',
      priority: 'required',
      port: 'U1',
      cells: [
        cell('U1', 'chosen', { text: 'R1 · T1', soldered: true }),
        cell('U2', 'possible', { mark: 'pin' }),
        cell('U3', 'blocked', { code: 'POL' }),
      ],
    },
    {
      id: 'gps',
      need: 'GPS',
      device: 'Fix',
      priority: 'wanted',
      port: null,
      lack: 'no supply',
      cells: [
        cell('U1', 'blocked', { code: 'TAKEN' }),
        cell('U2', 'possible', { quiet: true }),
        cell('U3', 'possible'),
      ],
    },
  ],
} as unknown as FitSheet

function grid(link = 'rc', port = 'U1') {
  return mount(FitGrid, { props: { sheet, link, port }, attachTo: document.body })
}

const said = (wrapper: ReturnType<typeof grid>, at: string) =>
  wrapper.get(`[data-cell="${at}"]`).attributes('aria-label')

test.each([
  ['ArrowDown', ['gps', 'U1']],
  ['ArrowRight', ['rc', 'U2']],
  ['End', ['rc', 'U3']],
  ['ArrowUp', ['rc', 'U1']],
  ['ArrowLeft', ['rc', 'U1']],
])('%s walks the grid and stays in it', async (key, to) => {
  const wrapper = grid()
  await wrapper.get('table').trigger('keydown', { key })
  expect(wrapper.emitted('select')).toEqual([to])
  wrapper.unmount()
})

test('Home goes to the first port, from wherever one stands', async () => {
  const wrapper = grid('gps', 'U3')
  await wrapper.get('table').trigger('keydown', { key: 'Home' })
  expect(wrapper.emitted('select')).toEqual([['gps', 'U1']])
  wrapper.unmount()
})

test('Enter pins the cell under the keys, x bans it, and Control with a key is the browser’s', async () => {
  const wrapper = grid('rc', 'U2')
  const table = wrapper.get('table')
  await table.trigger('keydown', { key: 'Enter' })
  await table.trigger('keydown', { key: 'x' })
  await table.trigger('keydown', { key: 'x', ctrlKey: true })
  await table.trigger('keydown', { key: 'ArrowDown', altKey: true })
  expect(wrapper.emitted('pin')).toEqual([['rc', sheet.links[0]?.cells[1]]])
  expect(wrapper.emitted('ban')).toEqual([['rc', sheet.links[0]?.cells[1]]])
  expect(wrapper.emitted('select')).toBeUndefined()
  wrapper.unmount()
})

test('one cell alone can be tabbed to, and the focus follows the keys', async () => {
  const wrapper = grid()
  expect(wrapper.findAll('td[tabindex="0"]').map((c) => c.attributes('data-cell'))).toEqual([
    'rc U1',
  ])
  wrapper.get<HTMLElement>('[data-cell="rc U1"]').element.focus()
  await wrapper.get('table').trigger('keydown', { key: 'ArrowDown' })
  await wrapper.setProps({ link: 'gps' })
  await nextTick()
  expect(wrapper.findAll('td[tabindex="0"]').map((c) => c.attributes('data-cell'))).toEqual([
    'gps U1',
  ])
  wrapper.unmount()
})

test('what is spoken of a cell has its state, its words, its mark and what is soldered', () => {
  const wrapper = grid()
  expect(said(wrapper, 'rc U1')).toBe('RC link on UART1: chosen, R1 · T1, already wired')
  expect(said(wrapper, 'rc U2')).toBe('RC link on UART2: possible, possible text pin')
  expect(said(wrapper, 'rc U3')).toBe('RC link on UART3: blocked, POL')
  wrapper.unmount()
})

test('a quiet cell shows its words only while it is looked at', async () => {
  const wrapper = grid()
  expect(wrapper.get('[data-cell="gps U2"]').text()).toBe('')
  await wrapper.setProps({ link: 'gps', port: 'U2' })
  expect(wrapper.get('[data-cell="gps U2"]').text()).toBe('possible text')
  wrapper.unmount()
})

test('a link that is left out and one that is in its way say so in their row', () => {
  const wrapper = grid()
  const [rc, gps] = wrapper.findAll('th.row').map((r) => r.text())
  expect(rc).toContain('conflicts')
  expect(gps).toContain('no supply')
  wrapper.unmount()
})
