/** Student's t, two-sided 95 %, by degrees of freedom. @source printed tables */
const table: readonly (readonly [number, number])[] = [
  [1, 12.706],
  [2, 4.303],
  [3, 3.182],
  [4, 2.776],
  [5, 2.571],
  [6, 2.447],
  [7, 2.365],
  [8, 2.306],
  [9, 2.262],
  [10, 2.228],
  [12, 2.179],
  [15, 2.131],
  [20, 2.086],
  [30, 2.042],
  [60, 2],
  [120, 1.98],
  [Infinity, 1.96],
]

/** Student's t, two-sided 95 %; between rows of the table by the inverse of the freedom. @throws RangeError below one */
export function student95(freedom: number): number {
  if (!(freedom >= 1)) throw new RangeError('freedom must be one or more')
  const i = table.findIndex(([f]) => freedom <= f)
  const [f1, t1] = table[i] ?? [1, 12.706]
  const [f0, t0] = table[Math.max(0, i - 1)] ?? [f1, t1]
  return f1 === f0 ? t1 : t1 + ((t0 - t1) * (1 / freedom - 1 / f1)) / (1 / f0 - 1 / f1)
}
