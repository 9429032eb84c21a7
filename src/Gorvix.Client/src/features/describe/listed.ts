/** What stands in a field with semicolons between. */
export const listed = (text: string): string[] =>
  text
    .split(';')
    .map((x) => x.trim())
    .filter(Boolean)
