import { requirePositive } from '../quantity/index.ts'

/** A propeller blade as it is reported apart: diameter in any one unit, blades, pitch in degrees. */
export interface Blade {
  readonly diameter: number
  readonly blades: number
  readonly pitch: number
}

/** Blades shadow each other: two more do not bring their share. @source common practice */
const crowding = 0.7

/**
 * Load of another blade on the same motor, over that of the one it stands in for, at the same speed.
 * @returns ratio of shaft power, and of air
 * @throws RangeError when a figure is not above zero or a pitch not below 60 degrees
 * @source fan laws for the diameter; count to the power 0.7 and sine of the pitch: common practice, good to a fifth
 */
export function bladeStandIn(old: Blade, other: Blade): { power: number; air: number } {
  for (const [name, b] of [
    ['old', old],
    ['other', other],
  ] as const) {
    requirePositive(`${name}.diameter`, b.diameter)
    requirePositive(`${name}.blades`, b.blades)
    requirePositive(`${name}.pitch`, b.pitch)
    if (b.pitch >= 60) throw new RangeError(`${name}.pitch must be below 60 degrees`)
  }
  const sine = (b: Blade) => Math.sin((b.pitch * Math.PI) / 180)
  const size = other.diameter / old.diameter
  const count = (other.blades / old.blades) ** crowding
  const pitch = sine(other) / sine(old)
  return { power: size ** 5 * count * pitch ** 1.5, air: size ** 3 * Math.sqrt(count) * pitch }
}
