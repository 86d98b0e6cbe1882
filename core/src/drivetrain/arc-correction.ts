/** Factor of a V-belt's power by (D − d)/C. @source mechanical-design textbooks, V-belt on two V-sheaves */
const table = [1, 0.99, 0.97, 0.96, 0.94, 0.93, 0.91, 0.89, 0.87, 0.85, 0.82, 0.8, 0.77, 0.73, 0.7, 0.65]

/**
 * What is left of a belt's power for its arc of contact, by the fit printed with the table.
 * @param arc degrees on the smaller sheave, 83 to 180
 * @throws RangeError outside of the table
 * @source Kθ = 0.143543 + 0.007468 θ − 0.000015052 θ², printed in a mechanical-design textbook for 90° to 180°
 */
export function arcFactor(arc: number): number {
  if (!(arc >= 83 && arc <= 180)) throw new RangeError('arc must lie between 83 and 180 degrees')
  return Math.min(1, 0.143543 + 0.007468 * arc - 0.000015052 * arc * arc)
}

/** The same by the printed table, interpolated. @param lean (D − d)/C, 0 to 1.5 */
export function arcFactorByTable(lean: number): number {
  if (!(lean >= 0 && lean <= 1.5)) throw new RangeError('lean must lie between 0 and 1.5')
  const i = Math.min(Math.floor(lean * 10 + 1e-9), table.length - 2)
  const low = table[i] ?? 1
  return low + ((table[i + 1] ?? low) - low) * (lean * 10 - i)
}
