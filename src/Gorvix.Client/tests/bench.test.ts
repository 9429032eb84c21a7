import { expect, test } from 'vitest'
import type { BenchCheck, BenchView } from '@/api/client'
import {
  answerWords,
  goodAnswer,
  heldBack,
  judge,
  numberOf,
  type Row,
} from '@/features/bench/useBench'

const said = (mark: 'good' | 'check again' | 'stop') => ({ mark, words: mark, look: null })
const check = {
  asks: 'beep',
  unit: 'ohms',
  labels: ['Continuity', 'Open', 'Not sure'],
  bands: [
    { upTo: 2, judgement: said('stop') },
    { upTo: 50, judgement: said('check again') },
    { upTo: null, judgement: said('good') },
  ],
  answers: [
    { answer: 'yes', judgement: said('stop') },
    { answer: 'no', judgement: said('good') },
    { answer: 'unsure', judgement: said('check again') },
  ],
} as unknown as BenchCheck

test.each([
  [0.4, 'stop'],
  [2, 'stop'],
  [2.01, 'check again'],
  [50, 'check again'],
  [1e6, 'good'],
])('a number belongs to the band up to whose bound it goes: %f is %s', (value, mark) => {
  expect(judge(check, value, null)?.mark).toBe(mark)
})

test('the good answer is the one that is judged good, whatever it is called', () => {
  expect(goodAnswer(check)).toBe('no')
  expect(answerWords(check, 'no')).toBe('Open')
  expect(judge(check, null, 'yes')?.mark).toBe('stop')
})

test.each([
  ['4.98', 4.98],
  ['4,98 V', 4.98],
  ['−0.3', -0.3],
  ['490 m', 0.49],
  ['12 k', 12000],
  ['1.5MΩ', 1.5e6],
])('"%s" is typed for %f', (text, value) => {
  expect(numberOf(text)).toBeCloseTo(value, 9)
})

test.each(['', 'five', '4.9.8', '1k2', '--3', '5 W'])('"%s" is no number', (text) => {
  expect(numberOf(text)).toBeNull()
})

const gate = {
  halting: ['stopped', 'doubtful'],
  done: ['proved', 'doubtful'],
  one: 'Do "{title}" first.',
  many: 'Do {count} checks first, starting with "{title}".',
} as unknown as BenchView['gate']
const at = (id: string, state: string, more: object = {}) =>
  ({ check: { id, title: id, ...more }, state }) as unknown as Row
const power = {
  id: 'power',
  isDangerous: true,
  after: ['a', 'b'],
} as unknown as BenchCheck
const halts = [
  { state: 'stopped', words: 'a failed.' },
  { state: 'doubtful', words: 'a is uncertain.' },
]

test.each([
  ['nothing holds it back', [at('a', 'proved'), at('b', 'doubtful')], null],
  ['one is open', [at('a', 'proved'), at('b', 'open')], 'Do "b" first.'],
  ['one is due again', [at('a', 'dueAgain'), at('b', 'proved')], 'Do "a" first.'],
  ['two are open', [at('a', 'open'), at('b', 'open')], 'Do 2 checks first, starting with "a".'],
  [
    'one that need not come before is open',
    [at('x', 'open'), at('a', 'proved'), at('b', 'proved')],
    null,
  ],
  ['an earlier one failed', [at('x', 'stopped', { halts }), at('b', 'open')], 'a failed.'],
  [
    'an earlier one is uncertain and must pass',
    [at('a', 'doubtful', { halts })],
    'a is uncertain.',
  ],
  [
    'a failed one comes before an uncertain one, wherever it stands',
    [
      at('a', 'doubtful', { halts }),
      at('x', 'stopped', { halts: [{ state: 'stopped', words: 'x failed.' }] }),
    ],
    'x failed.',
  ],
])('power: %s', (_, before, why) => {
  expect(heldBack(power, before, [], gate)).toBe(why)
})

test('what power would destroy holds it back before all else, and a check without power is never held back', () => {
  expect(heldBack(power, [at('a', 'stopped', { halts })], ['It burns.'], gate)).toBe('It burns.')
  expect(
    heldBack({ ...power, isDangerous: false }, [at('a', 'open')], ['It burns.'], gate),
  ).toBeNull()
})
