/** A part of the whole as it is typed, in percent; what is not known stays so. */
export const percent = (value: number | null | undefined) =>
  value == null ? null : Math.round(value * 1e9) / 1e7

/** And back. */
export const part = (value: number | null) =>
  value === null ? null : Math.round(value * 1e7) / 1e9
