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
