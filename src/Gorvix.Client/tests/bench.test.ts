import { expect, test } from 'vitest'
import type { BenchCheck } from '@/api/client'
import { answerWords, goodAnswer, judge, numberOf } from '@/features/bench/useBench'

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
