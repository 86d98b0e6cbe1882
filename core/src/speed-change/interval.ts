import { requirePositive } from '../quantity/index.ts'
import { student95 } from '../trend/index.ts'

/** Weight of what is known beforehand, in changes: for the middle and for the width. */
const priorMiddle = 4
const priorWidth = 10

/** By how much to correct what is predicted, as a logarithm, from what earlier changes came out at. */
export function shiftFrom(misses: readonly number[]): number {
  if (misses.some((m) => !Number.isFinite(m))) throw new RangeError('misses must be finite numbers')
  return misses.reduce((a, b) => a + b, 0) / (misses.length + priorMiddle)
}

/**
 * Half the width in which nineteen of twenty changes will come out: what is known beforehand of meters, motors, sheaves and
 * ducts, and what this machine's earlier changes came out at.
 * @param misses logarithms of measured over predicted amps @param doubt standard deviation known beforehand, as one
 * @throws RangeError when a miss is not finite or the doubt not above zero
 * @source normal with unknown middle and width, conjugate prior; predictive t
 */
export function halfWidth(misses: readonly number[], doubt: number): number {
  requirePositive('doubt', doubt)
  const n = misses.length
  const shift = shiftFrom(misses)
  const squares = misses.reduce((sum, m) => sum + (m - shift) ** 2, 0)
  const width = Math.sqrt((priorWidth * doubt * doubt + squares) / (priorWidth + n))
  // What is known beforehand of the middle is part of the doubt already.
  const middle = Math.sqrt((1 + 1 / (n + priorMiddle)) / (1 + 1 / priorMiddle))
  return student95(priorWidth + n) * width * middle
}
