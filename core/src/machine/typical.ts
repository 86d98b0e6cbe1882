/** Full-load efficiency and four-pole slip of ordinary fan motors by horsepower, for plates that do not say. */
const rows: readonly (readonly [hp: number, efficiency: number, slip: number])[] = [
  [0.5, 0.74, 0.0417],
  [0.75, 0.78, 0.0389],
  [1, 0.82, 0.0361],
  [1.5, 0.84, 0.0333],
  [2, 0.855, 0.0333],
  [3, 0.875, 0.0278],
  [5, 0.89, 0.0278],
  [7.5, 0.902, 0.025],
  [10, 0.905, 0.025],
  [15, 0.917, 0.0222],
  [20, 0.924, 0.0194],
  [25, 0.93, 0.0167],
  [30, 0.93, 0.0167],
  [40, 0.936, 0.0139],
  [50, 0.941, 0.0139],
  [60, 0.945, 0.0125],
  [75, 0.95, 0.0111],
  [100, 0.95, 0.0111],
]

/** What an ordinary motor of a size has, where its plate is silent. */
export interface TypicalMotor {
  readonly efficiency: number
  readonly slip: number
  /** Locked-rotor kVA per horsepower. */
  readonly lockedKvaPerHp: number
}

/**
 * Typical figures of a three-phase motor by size; for sizes between rows those of the next smaller.
 * @param hp rated horsepower
 * @source common practice: no standard, wide scatter
 */
export function typicalMotor(hp: number): TypicalMotor {
  const row = rows.filter(([size]) => size <= hp + 0.005).at(-1) ?? rows[0]
  const lockedKvaPerHp = hp < 1.5 ? 9 : hp < 3 ? 8.5 : hp < 5 ? 7.5 : hp < 20 ? 6.7 : 5.9
  return { efficiency: row?.[1] ?? 0.74, slip: row?.[2] ?? 0.0417, lockedKvaPerHp }
}
