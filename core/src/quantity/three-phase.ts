/** Three readings of one quantity, in the order L1, L2, L3 (or L1-L2, L2-L3, L3-L1). */
export type ThreePhase = readonly [number, number, number]

/** A list of three as the three it is. @throws RangeError when it holds more or fewer */
export function three<T>(list: readonly T[]): readonly [T, T, T] {
  const [a, b, c, ...more] = list
  if (list.length < 3 || more.length > 0) throw new RangeError('three values are needed')
  return [a as T, b as T, c as T]
}

/** Three values that were all read; null where one is missing. */
export function allThree(list: readonly (number | undefined)[]): ThreePhase | null {
  const [a, b, c] = list
  return a !== undefined && b !== undefined && c !== undefined ? [a, b, c] : null
}

/**
 * Throws unless the value is a finite number that is not below zero.
 * @throws RangeError naming the argument
 */
export function requireMagnitude(name: string, value: number): void {
  if (!Number.isFinite(value) || value < 0) throw new RangeError(`${name} must be a finite number, not below zero`)
}

/**
 * Throws unless the value is a finite number above zero.
 * @throws RangeError naming the argument
 */
export function requirePositive(name: string, value: number): void {
  if (!Number.isFinite(value) || value <= 0) throw new RangeError(`${name} must be a finite number above zero`)
}

/** Arithmetic mean; @throws RangeError on an empty list or a value that is not finite. */
export function mean(values: readonly number[]): number {
  if (values.length === 0) throw new RangeError('values must not be empty')
  let sum = 0
  for (const v of values) {
    if (!Number.isFinite(v)) throw new RangeError('values must be finite numbers')
    sum += v
  }
  return sum / values.length
}
