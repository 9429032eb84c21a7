import { flushPromises, mount } from '@vue/test-utils'
import { createVuetify } from 'vuetify'
import { expect, test, vi } from 'vitest'
import TypedNumber from '@/features/describe/TypedNumber.vue'
import TypedText from '@/features/describe/TypedText.vue'
import DueList from '@/features/log/DueList.vue'
import PriorityToggle from '@/ui/PriorityToggle.vue'

const global = { plugins: [createVuetify()] }

function number(value: number | null) {
  return mount(TypedNumber, { props: { label: 'Most volts', field: 'max', value }, global })
}

async function typed(wrapper: ReturnType<typeof number>, text: string) {
  const input = wrapper.get('input')
  input.element.value = text
  await input.trigger('input')
  await input.trigger('change')
}

test.each([
  ['7.4', 7.4],
  ['7,4', 7.4],
  [' 12 ', 12],
  ['0', 0],
])('a number is given as it is meant when the field is left: %s', async (text, value) => {
  const wrapper = number(null)
  await typed(wrapper, text)
  expect(wrapper.emitted('change')).toEqual([[value]])
})

test('an emptied field is unknown, which is not zero', async () => {
  const wrapper = number(5)
  await typed(wrapper, '')
  expect(wrapper.emitted('change')).toEqual([[null]])
})

test('what is no number stays in the field, says so, and is not given', async () => {
  const wrapper = number(5)
  await typed(wrapper, '5-6')
  expect(wrapper.emitted('change')).toBeUndefined()
  expect(wrapper.get('input').element.value).toBe('5-6')
  expect(wrapper.text()).toContain('Enter a number, e.g. 7.4.')
})

test('the same number again is no change, and a value from outside is shown', async () => {
  const wrapper = number(5)
  await typed(wrapper, '5.0')
  expect(wrapper.emitted('change')).toBeUndefined()
  await wrapper.setProps({ value: 9 })
  expect(wrapper.get('input').element.value).toBe('9')
})

test('the label is the field’s own', () => {
  const wrapper = number(5)
  expect(wrapper.get('label').attributes('for')).toBe(wrapper.get('input').attributes('id'))
})

test('a text is given when its field is left, and not at each letter', async () => {
  const wrapper = mount(TypedText, {
    props: { label: 'Name', field: 'name', value: 'Nib' },
    global,
  })
  const input = wrapper.get('input')
  input.element.value = 'Nib F4'
  await input.trigger('input')
  expect(wrapper.emitted('change')).toBeUndefined()
  await input.trigger('change')
  expect(wrapper.emitted('change')).toEqual([['Nib F4']])
})

test('not at all is a priority of its own, and comes out as none', async () => {
  const priorities = [
    { value: 'required', words: 'required' },
    { value: 'wanted', words: 'wanted' },
  ]
  const wrapper = mount(PriorityToggle, {
    props: { priorities: priorities as never, name: 'GPS', tag: 'gps', modelValue: null },
    global,
  })
  expect(wrapper.get('[data-priority="gps none"]').classes()).toContain('v-btn--active')
  await wrapper.get('[data-priority="gps required"]').trigger('click')
  await wrapper.setProps({ modelValue: 'required' })
  await wrapper.get('[data-priority="gps none"]').trigger('click')
  expect(wrapper.emitted('update:modelValue')).toEqual([['required'], [null]])
})

test('a maintenance task that the server refuses stays as it was typed, and one that it keeps is cleared', async () => {
  const put = vi.fn().mockResolvedValueOnce(false).mockResolvedValue(true)
  const wrapper = mount(DueList, { props: { dues: [], usual: [], busy: false, put }, global })
  const field = (name: string) =>
    wrapper.get<HTMLInputElement>(`[data-field="${name}"] input, input[data-field="${name}"]`)
  await field('interval').setValue('Motor screws')
  await field('days').setValue('x')
  await wrapper.get('form').trigger('submit')
  expect(put).not.toHaveBeenCalled()
  await field('days').setValue('')
  await wrapper.get('form').trigger('submit')
  await flushPromises()
  expect(put).toHaveBeenCalledWith([
    { id: 'motor-screws', words: 'Motor screws', days: null, flights: null },
  ])
  expect(field('interval').element.value).toBe('Motor screws')
  await field('days').setValue('30')
  await wrapper.get('form').trigger('submit')
  await flushPromises()
  expect(field('interval').element.value).toBe('')
})
