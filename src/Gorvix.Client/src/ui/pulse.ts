import type { Polarity } from '@/api/client'

/** A character as it looks on a normal line: idle, start bit, eight data bits, stop bit, idle. */
const character = [1, 1, 0, 1, 0, 0, 1, 1, 0, 1, 0, 1, 1]

/** The same idea where there is no room for a whole character. */
const short = [0, 1, 1, 0]

/**
 * The pulse train as an SVG path. The same bits always, so that an inversion is seen as the flip it is.
 * @param polarity normal rests at the top, inverted at the bottom
 * @param width length of the train in SVG units
 * @param high the y of the high level
 * @param low the y of the low level
 * @param lead length of the resting line before and after the bits
 */
export function pulsePath(
  polarity: Polarity,
  width: number,
  high: number,
  low: number,
  lead = 0,
): string {
  const bits = width < 60 ? short : character
  const step = (width - 2 * lead) / bits.length
  const levels = bits.map((bit) => ((bit === 1) === (polarity === 'normal') ? high : low))
  const rest = polarity === 'normal' ? high : low
  let path = `M0 ${rest}H${lead}`
  levels.forEach((level, i) => {
    path += `V${level}H${+(lead + (i + 1) * step).toFixed(2)}`
  })
  return `${path}V${rest}H${width}`
}
