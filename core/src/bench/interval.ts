/** What a machine's own misses teach: by how much to correct, and how far off the next one may be. Logarithms. */
export interface Learnt {
  readonly shift: number
  /** Half the width in which nineteen of twenty will lie. */
  readonly half: number
  readonly n: number
}

/** Two clamp readings, and pitch diameters told to half a per cent. @source common practice */
const meter = 0.014
const pitch = 0.012
/** How far the exponent of a duct that is not quite a duct may stray, times what a load does to the amps. */
const exponent = 0.12

/** Student's t, two-sided 95 %, by degrees of freedom. @source tables */
const t95: readonly (readonly [number, number])[] = [
  [4, 2.776],
  [5, 2.571],
  [6, 2.447],
  [8, 2.306],
  [10, 2.228],
  [15, 2.131],
  [30, 2.042],
  [120, 1.98],
]
const student = (freedom: number) => t95.find(([n]) => freedom <= n)?.[1] ?? 1.96

/** Weight of what is known beforehand, in changes: for the middle and for the width. */
const priorMiddle = 4
const priorWidth = 10

/**
 * Interval of predicted amps: what is known beforehand of meters, sheaves and ducts, and what this machine's earlier
 * changes came out at.
 * @param misses logarithms of measured over predicted amps @param speed ratio of the change asked for
 * @throws RangeError when a miss is not finite or the ratio not above zero
 * @source normal with unknown middle and width, conjugate prior; predictive t
 */
export function learntFrom(misses: readonly number[], speed: number): Learnt {
  if (!(speed > 0)) throw new RangeError('speed must be above zero')
  if (misses.some((m) => !Number.isFinite(m))) throw new RangeError('misses must be finite numbers')
  const n = misses.length
  const prior = Math.hypot(meter, pitch, exponent * Math.log(speed))
  const shift = misses.reduce((a, b) => a + b, 0) / (n + priorMiddle)
  const squares = misses.reduce((sum, m) => sum + (m - shift) ** 2, 0)
  const width = Math.sqrt((priorWidth * prior * prior + squares) / (priorWidth + n))
  return { shift, half: student(priorWidth + n) * width * Math.sqrt(1 + 1 / (n + priorMiddle)), n }
}
