import { requirePositive } from '../quantity/index.ts'
import { beltSection } from './sections.ts'

/** Horsepower of one belt at 1000 to 5000 ft/min on a sheave of that pitch, inches; the last row is for all larger. */
type Rating = readonly (readonly [pitch: number, ...power: readonly [number, number, number, number, number]])[]

/** @source V-belt ratings as printed in mechanical-design textbooks, 180° of contact, middle length; from memory */
const ratings: Readonly<Record<string, Rating>> = {
  A: [
    [2.6, 0.47, 0.62, 0.53, 0.15, 0],
    [3, 0.66, 1.01, 1.12, 0.93, 0.38],
    [3.4, 0.81, 1.31, 1.57, 1.53, 1.12],
    [3.8, 0.93, 1.55, 1.92, 2, 1.71],
    [4.2, 1.03, 1.74, 2.2, 2.38, 2.19],
    [4.6, 1.11, 1.89, 2.44, 2.69, 2.58],
    [5, 1.17, 2.03, 2.64, 2.96, 2.89],
  ],
  B: [
    [4.2, 1.07, 1.58, 1.68, 1.26, 0.22],
    [4.6, 1.27, 1.99, 2.29, 2.08, 1.24],
    [5, 1.44, 2.33, 2.8, 2.76, 2.1],
    [5.4, 1.59, 2.62, 3.24, 3.34, 2.82],
    [5.8, 1.72, 2.87, 3.61, 3.85, 3.45],
    [6.2, 1.82, 3.09, 3.94, 4.28, 4],
    [6.6, 1.92, 3.29, 4.23, 4.67, 4.48],
    [7, 2.01, 3.46, 4.49, 5.01, 4.9],
  ],
  C: [
    [6, 1.84, 2.66, 2.72, 1.87, 0],
    [7, 2.48, 3.94, 4.64, 4.44, 3.12],
    [8, 2.96, 4.9, 6.09, 6.36, 5.52],
    [9, 3.34, 5.65, 7.21, 7.86, 7.39],
    [10, 3.64, 6.25, 8.11, 9.06, 8.89],
    [11, 3.88, 6.74, 8.84, 10, 10.1],
    [12, 4.09, 7.15, 9.46, 10.9, 11.1],
  ],
}

/** A longer belt bends less often: factor by inside length up to so many inches. @source as above, from memory */
const lengthSteps: Readonly<Record<string, readonly (readonly [upTo: number, factor: number])[]>> = {
  A: [
    [36, 0.85],
    [47, 0.9],
    [57, 0.95],
    [76, 1],
    [93, 1.05],
    [116, 1.1],
    [Infinity, 1.15],
  ],
  B: [
    [47, 0.85],
    [61, 0.9],
    [76, 0.95],
    [100, 1],
    [124, 1.05],
    [150, 1.1],
    [187, 1.15],
    [Infinity, 1.2],
  ],
  C: [
    [78, 0.85],
    [100, 0.9],
    [124, 0.95],
    [160, 1],
    [202, 1.05],
    [255, 1.1],
    [315, 1.15],
    [Infinity, 1.2],
  ],
}

const horsepower = 745.6999
const feetPerMinute = 0.00508
const inch = 25.4

const between = (share: number, low: number, high: number) => low + (high - low) * share

/** Power of one belt at a speed in a row of the table; below its slowest it goes with the speed. */
function atSpeed(row: Rating[number], speed: number): number {
  const powers = row.slice(1)
  const steps = speed / 1000
  if (steps <= 1) return (powers[0] ?? 0) * steps
  const i = Math.min(Math.floor(steps) - 1, powers.length - 2)
  return between(steps - 1 - i, powers[i] ?? 0, powers[i + 1] ?? 0)
}

/** Sections whose rating is known; a notched belt carries at least what its plain one does. */
export const ratedSections: readonly string[] = Object.keys(ratings)

/**
 * What one belt is good for over its usual life.
 * @param sectionId A, B, C or their notched ones @param small pitch diameter of the smaller sheave, mm
 * @param speed of the belt, m/s @param arcFactor of the smaller sheave @param length pitch length of the belt, mm
 * @returns watts; null where the section is not rated here, the sheave is smaller than any that is, or the speed above all
 * @throws RangeError when the section is not known or a figure not above zero
 * @source ratings of classical V-belts, mechanical-design textbooks, from memory; the maker's govern
 */
export function beltPower(
  sectionId: string,
  small: number,
  speed: number,
  arcFactor: number,
  length: number,
): number | null {
  requirePositive('small', small)
  requirePositive('speed', speed)
  requirePositive('arcFactor', arcFactor)
  requirePositive('length', length)
  const { id, toPitch } = beltSection(sectionId)
  const table = ratings[id]
  const pitch = small / inch
  const feet = speed / feetPerMinute
  const first = table?.[0]
  if (!table || !first || pitch < first[0] || feet > 5000) return null
  const above = table.findIndex((row) => row[0] >= pitch)
  const high = table[above < 0 ? table.length - 1 : above] ?? first
  const low = table[above < 0 ? table.length - 1 : Math.max(0, above - 1)] ?? first
  const share = high[0] === low[0] ? 1 : (pitch - low[0]) / (high[0] - low[0])
  const power = between(share, atSpeed(low, feet), atSpeed(high, feet))
  const inside = (length - toPitch) / inch
  const factor = lengthSteps[id]?.find(([upTo]) => inside <= upTo)?.[1] ?? 1
  return power * factor * arcFactor * horsepower
}
