import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import CheckList from '@/features/bench/CheckList.vue'
import type { Row } from '@/features/bench/useBench'
import LargeView from '@/ui/LargeView.vue'
import ListRow from '@/ui/ListRow.vue'

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
  expect(wrapper.get('[data-row="a"] .end').text()).toBe('continuity')
  expect(wrapper.get('[data-row="b"] .end').text()).toBe('expected b')
  expect(wrapper.get('[data-row="c"] .end').text()).toBe('expected c')
})

test('the chosen check is the current step, and pressing one chooses it and nothing else', async () => {
  const wrapper = list(rows, 'b')
  expect(wrapper.get('[data-row="b"] button').attributes('aria-current')).toBe('step')
  expect(wrapper.get('[data-row="a"] button').attributes('aria-current')).toBeUndefined()
  await wrapper.get('[data-row="c"] button').trigger('click')
  expect(wrapper.emitted()).toEqual({ choose: [['c']] })
})

const tick = {
  id: 'a',
  number: 3,
  words: 'Solder to pads',
  tickLabel: 'Step 3 done',
}

test.each([
  [false, true],
  [true, false],
])(
  'the box of a row that is done: %s asks for %s, and does not choose the row',
  async (isDone, asks) => {
    const wrapper = mount(ListRow, {
      props: { ...tick, state: isDone ? 'proved' : 'open', chosen: false },
    })
    const box = wrapper.get('[role="checkbox"]')
    expect(box.attributes('aria-checked')).toBe(String(isDone))
    expect(box.attributes('aria-label')).toBe('Step 3 done')
    await box.trigger('click')
    expect(wrapper.emitted('tick')).toEqual([[asks]])
    expect(wrapper.emitted('choose')).toBeUndefined()
  },
)

test('what stands at the end of a row is there when it is told, and more of it only when it is chosen', async () => {
  const wrapper = mount(ListRow, {
    props: { ...tick, state: 'open', chosen: false },
    slots: { default: 'More of it' },
  })
  expect(wrapper.find('.end').exists()).toBe(false)
  expect(wrapper.text()).not.toContain('More of it')
  await wrapper.setProps({ state: 'proved', end: '26 Nov 2026', chosen: true })
  expect(wrapper.get('.end').text()).toBe('26 Nov 2026')
  expect(wrapper.text()).toContain('More of it')
  await wrapper.get('.what').trigger('click')
  expect(wrapper.emitted('choose')).toHaveLength(1)
})

test('a row that waits for another cannot be ticked, and says that it is done by more than its colour', async () => {
  const wrapper = mount(ListRow, { props: { ...tick, state: 'open', chosen: false, waits: true } })
  expect(wrapper.get('[role="checkbox"]').attributes('disabled')).toBeDefined()
  await wrapper.setProps({ state: 'proved', waits: false })
  expect(wrapper.find('.hook').exists()).toBe(true)
})

test('in the large view a stray touch of what is read does nothing, and each button does one thing', async () => {
  const wrapper = mount(LargeView, {
    props: {
      label: 'Steps, large view',
      heading: 'Hare: steps',
      at: 'a',
      progress: '1 of 3 done',
      done: 1,
      total: 3,
      group: 'Top side',
      number: 2,
      of: 3,
      undo: 'Z',
      canUndo: true,
    },
    slots: { default: '<p class="do">Solder TX</p>' },
    global: { stubs: { VBtn: { template: '<button><slot /></button>' }, VKbd: true } },
  })
  await wrapper.get('.do').trigger('click')
  expect(wrapper.emitted()).not.toHaveProperty('walk')
  await wrapper.get('[data-do="back"]').trigger('click')
  await wrapper.get('[data-do="skip"]').trigger('click')
  await wrapper.get('[data-do="undo"]').trigger('click')
  await wrapper.get('[data-do="leave-large"]').trigger('click')
  expect(wrapper.emitted('walk')).toEqual([[-1], [1]])
  expect(wrapper.emitted('undo')).toHaveLength(1)
  expect(wrapper.emitted('leave')).toHaveLength(1)
  expect(wrapper.get('progress').attributes('value')).toBe('1')
})
