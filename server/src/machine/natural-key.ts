/** A key that sorts RTU-2 before RTU-11: digits padded, letters folded. */
export const naturalKey = (...parts: string[]): string =>
  parts
    .join('\u0001')
    .toLowerCase()
    .replace(/\d+/g, (d) => d.padStart(8, '0'))
