/** The day on which something was done, as the builder's own calendar has it. */
export const dayOf = (on: string) =>
  new Date(on).toLocaleDateString(undefined, { day: 'numeric', month: 'short', year: 'numeric' })
