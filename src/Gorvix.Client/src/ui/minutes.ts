/** Minutes of a bench, as they are told. */
export const minutesOf = (minutes: number) =>
  minutes < 1 ? `${Math.round(minutes * 60)} s` : `${Math.round(minutes * 10) / 10} min`
