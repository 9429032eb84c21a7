import { expect, test } from 'vitest'
import { drawn } from '@/features/rails/useRails'
import { amps } from '@/ui/quantities'

// The same cases as the core's (PlainNamesTests): a current is written alike wherever it stands.
test.each([
  [0.0025, '2.5 mA'],
  [0.09, '90 mA'],
  [0.12, '120 mA'],
  [0.4667, '467 mA'],
  [0.9994, '999 mA'],
  [0.9996, '1 A'],
  [1.26, '1.26 A'],
])('%d A reads %s', (a, words) => expect(amps(a)).toBe(words))

test('a current of which some is unknown is a least', () => {
  expect(drawn(0.08, true)).toBe('at least 80 mA')
  expect(drawn(0, true)).toBe('current unknown')
  expect(drawn(0, false)).toBe('0 mA')
})
