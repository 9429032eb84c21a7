import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import CheckList from '@/features/bench/CheckList.vue'
import type { Row } from '@/features/bench/useBench'
import TickRow from '@/ui/TickRow.vue'

const row = (id: string, phase: string, state: string, read: string | null = null) =>
  ({
    check: { id, phase, title: `title ${id}`, expected: `expected ${id}` },
    state,
    last: read === null ? null : { read },
  }) as unknown as Row

const rows = [
  row('a', 'cold', 'proved', 'continuity'),
  row('b', 'cold', 'open'),
  row('c', 'volts', 'dueAgain', '4.98 V'),
]

function list(shown = rows, chosen: string | null = null) {
  return mount(CheckList, { props: { rows, shown, chosen } })
}

test('each phase says how far it is, counted over all of its checks and not over those shown', () => {
  const wrapper = list(rows.slice(1, 2))
  expect(wrapper.findAll('[data-phase]').map((p) => p.attributes('data-phase'))).toEqual(['cold'])
  expect(wrapper.get('[data-phase="cold"] h3').text()).toContain('1 of 2')
})

test('a check shows what was read, and what is expected while nothing is or it is due again', () => {
  const wrapper = list()
  expect(wrapper.get('[data-row="a"] .read').text()).toBe('continuity')
  expect(wrapper.get('[data-row="b"] .read').text()).toBe('expected b')
  expect(wrapper.get('[data-row="c"] .read').text()).toBe('expected c')
})

test('the chosen check is the current step, and pressing one chooses it and nothing else', async () => {
  const wrapper = list(rows, 'b')
  expect(wrapper.get('[data-row="b"] button').attributes('aria-current')).toBe('step')
  expect(wrapper.get('[data-row="a"] button').attributes('aria-current')).toBeUndefined()
  await wrapper.get('[data-row="c"] button').trigger('click')
  expect(wrapper.emitted()).toEqual({ choose: [['c']] })
})

const tick = {
  number: 3,
  words: 'Solder to pads',
  doneOn: '2026-11-26T10:00:00Z',
  tickLabel: 'Step 3 done',
}

test.each([
  [false, true],
  [true, false],
])(
  'the box of a row that is done: %s asks for %s, and does not choose the row',
  async (isDone, asks) => {
    const wrapper = mount(TickRow, { props: { ...tick, isDone, chosen: false } })
    const box = wrapper.get('[role="checkbox"]')
    expect(box.attributes('aria-checked')).toBe(String(isDone))
    expect(box.attributes('aria-label')).toBe('Step 3 done')
    await box.trigger('click')
    expect(wrapper.emitted('tick')).toEqual([[asks]])
    expect(wrapper.emitted('choose')).toBeUndefined()
  },
)

test('a row tells its day only when it is done, and more of it only when it is chosen', async () => {
  const wrapper = mount(TickRow, {
    props: { ...tick, isDone: false, chosen: false },
    slots: { default: 'More of it' },
  })
  expect(wrapper.find('time').exists()).toBe(false)
  expect(wrapper.text()).not.toContain('More of it')
  await wrapper.setProps({ isDone: true, chosen: true })
  expect(wrapper.find('time').exists()).toBe(true)
  expect(wrapper.text()).toContain('More of it')
  await wrapper.get('.what').trigger('click')
  expect(wrapper.emitted('choose')).toHaveLength(1)
})
