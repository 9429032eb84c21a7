import type { Polarity, WaveStep } from '@/api/client'

/** The sign for polarity: a start, two bits, a stop. A real signal comes from the core, see wavePath. */
const sign = [0, 1, 1, 0]

/**
 * The sign as an SVG path. The same bits always, so that an inversion is seen as the flip it is.
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
  const step = (width - 2 * lead) / sign.length
  const levels = sign.map((bit) => ((bit === 1) === (polarity === 'normal') ? high : low))
  const rest = polarity === 'normal' ? high : low
  let path = `M0 ${rest}H${lead}`
  levels.forEach((level, i) => {
    path += `V${level}H${+(lead + (i + 1) * step).toFixed(2)}`
  })
  return `${path}V${rest}H${width}`
}

/**
 * A signal as an SVG path.
 * @param wave its stretches on a line that rests high
 * @param polarity inverted shows the other level of each
 * @param width length of the drawing in SVG units
 * @param high the y of the high level
 * @param low the y of the low level
 */
export function wavePath(
  wave: WaveStep[],
  polarity: Polarity,
  width: number,
  high: number,
  low: number,
): string {
  const unit = width / wave.reduce((sum, step) => sum + step.length, 0)
  let x = 0
  let path = ''
  for (const step of wave) {
    x += step.length * unit
    const y = step.high === (polarity === 'normal') ? high : low
    path += `${path === '' ? 'M0 ' : 'V'}${y}H${+x.toFixed(2)}`
  }
  return path
}
