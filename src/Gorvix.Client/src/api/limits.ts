/**
 * Bounds and usual values that the server knows and holds to. It writes them into the page, so that a field knows them before anything is asked.
 */
export interface Limits {
  /** The longest of each kind of text, in characters. */
  name: number
  note: number
  entry: number
  reason: number
  template: number
  dump: number
  dumpNote: number
  person: number
  search: number
  task: number
  /** The most pins of a plug, and the most harnesses of a device. */
  pins: number
  harnesses: number
  /** The highest code of a drill. */
  drillCode: number
  /** Serial ports as boards name them. */
  ports: string[]
  /** What a signal lead drives where its manual says nothing, in volts. */
  logicVolts: number
  /** Line rates that GNSS modules and meters are met with, in baud. */
  gnssBauds: number[]
  meterBauds: number[]
  /** Colours of insulation by their words, as #rrggbb. */
  wireColours: Record<string, string>
}

const told = document.querySelector<HTMLMetaElement>('meta[name=limits]')?.content ?? ''
// Only a test has a page that no server wrote.
export const limits = (
  told.startsWith('{')
    ? JSON.parse(told)
    : { gnssBauds: [], meterBauds: [], ports: [], wireColours: {} }
) as Limits
