import { expect, test } from 'vitest'
import { pulsePath, wavePath } from '@/ui/pulse'

const wave = [
  { high: true, length: 1 },
  { high: false, length: 1 },
  { high: true, length: 2 },
]

test('a wave fills its width, each stretch as long as it is', () => {
  expect(wavePath(wave, 'normal', 40, 5, 25)).toBe('M0 5H10V25H20V5H40')
})

test('an inverted line shows the other level of each stretch', () => {
  expect(wavePath(wave, 'inverted', 40, 5, 25)).toBe('M0 25H10V5H20V25H40')
})

test('the sign rests high where the line is normal and low where it is inverted', () => {
  expect(pulsePath('normal', 20, 2, 14)).toMatch(/^M0 2.*V2H20$/)
  expect(pulsePath('inverted', 20, 2, 14)).toMatch(/^M0 14.*V14H20$/)
})
