import { requirePositive } from '../quantity/index.ts'
import { beltSection } from './sections.ts'

/** The rating of a section: its constants, the smallest sheave it is rated on and the length of its middle belt, inches. */
interface Rating {
  readonly c: readonly [number, number, number, number]
  readonly least: number
  readonly middle: number
  /** How the power goes with the length of the belt: a longer one bends less often. */
  readonly exponent: number
}

/**
 * Constants of the rating formula of classical and narrow V-belts, inches, thousands of rpm, horsepower.
 * @source rubber manufacturers' drive standards for classical and narrow V-belts, as printed in mechanical-design
 * handbooks; from memory. Length exponents: fitted to the printed length factors, from memory
 */
const ratings: Readonly<Record<string, Rating>> = {
  A: { c: [0.8542, 1.342, 2.436e-4, 0.1703], least: 2.6, middle: 69.3, exponent: 0.24 },
  B: { c: [1.506, 3.52, 4.193e-4, 0.2931], least: 4.2, middle: 91.8, exponent: 0.24 },
  C: { c: [2.786, 9.788, 7.46e-4, 0.5214], least: 6, middle: 146.9, exponent: 0.22 },
  D: { c: [5.922, 34.72, 1.522e-3, 1.064], least: 12, middle: 243.3, exponent: 0.22 },
  '3V': { c: [1.1691, 1.5295, 1.5229e-4, 0.1596], least: 2.6, middle: 67, exponent: 0.19 },
  '5V': { c: [3.3038, 7.781, 3.6432e-4, 0.43343], least: 7, middle: 132, exponent: 0.18 },
}

/** What bending less on the larger sheave is worth, by the ratio of the two. @source as above, from memory */
const ratioFactors: readonly (readonly [upTo: number, factor: number])[] = [
  [1.01, 1],
  [1.04, 1.0112],
  [1.07, 1.0226],
  [1.1, 1.0344],
  [1.14, 1.0463],
  [1.2, 1.0586],
  [1.27, 1.0711],
  [1.39, 1.084],
  [1.64, 1.0972],
  [Infinity, 1.1106],
]

const horsepower = 745.6999
const inch = 25.4
/** The rating ends at so much belt speed. */
const fastest = 6500
const feetPerMinute = 0.00508

/** Sections whose rating is known; a notched belt carries at least what its plain one does. */
export const ratedSections: readonly string[] = Object.keys(ratings)

/** A drive as far as the rating of its belts asks for it. Millimetres and m/s. */
export interface RatedDrive {
  /** Pitch diameters. */
  readonly small: number
  readonly large: number
  readonly speed: number
  /** Of the smaller sheave. */
  readonly arcFactor: number
  /** Pitch length of the belt. */
  readonly length: number
}

/**
 * What one belt is good for over its usual life.
 * @param sectionId A, B, C, D, 3V, 5V or their notched ones
 * @returns watts; null where the section is not rated here, the sheave is smaller than any that is, or the speed above all
 * @throws RangeError when the section is not known or a figure not above zero
 * @source hp = [(C1 − C2/d − C3 (r d)² − C4 log10(r d)) r d + C2 r (1 − 1/KA)] · arc · length, drive standards of the
 * rubber manufacturers; the maker's own rating governs
 */
export function beltPower(sectionId: string, drive: RatedDrive): number | null {
  const { small, large, speed, arcFactor, length } = drive
  for (const [name, value] of Object.entries<number>({ ...drive })) requirePositive(name, value)
  const rating = ratings[beltSection(sectionId).id]
  const d = small / inch
  const feet = speed / feetPerMinute
  if (!rating || d < rating.least - 1e-9 || feet > fastest) return null
  const [c1, c2, c3, c4] = rating.c
  const rd = (feet * 12) / (Math.PI * 1000)
  const ratio = Math.max(1, large / small)
  const ratioFactor = ratioFactors.find(([upTo]) => ratio <= upTo)?.[1] ?? 1
  const power = (c1 - c2 / d - c3 * rd * rd - c4 * Math.log10(rd)) * rd + c2 * (rd / d) * (1 - 1 / ratioFactor)
  return Math.max(0, power) * arcFactor * (length / inch / rating.middle) ** rating.exponent * horsepower
}
