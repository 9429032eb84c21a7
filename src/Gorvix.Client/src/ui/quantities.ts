/** Volts and amperes as they are read, written as the core writes them (Numbers.Volts, PlainWords.Amperes). */
export const volts = (v: number) => `${v.toFixed(2)} V`
export const amps = (a: number) =>
  a < 0.01
    ? `${Number((a * 1000).toFixed(1))} mA`
    : a < 0.9995
      ? `${Math.round(a * 1000)} mA`
      : `${Number(a.toFixed(2))} A`
