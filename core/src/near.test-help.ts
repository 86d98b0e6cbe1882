import { expect } from 'vitest'

/** Close enough to a published figure of four significant digits. */
export const near = (actual: number | null | undefined, expected: number, tolerance = 6e-4): void => {
  expect(actual).toEqual(expect.any(Number))
  expect(Math.abs((actual as number) - expected)).toBeLessThanOrEqual(tolerance * Math.max(1e-9, Math.abs(expected)))
}
