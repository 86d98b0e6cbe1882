/** A belt section: what it measures and how its sheaves and its number are told. Lengths in millimetres. */
export interface BeltSection {
  readonly id: string
  /** The same section with a notched belt. */
  readonly notched: string | null
  readonly width: number
  readonly thickness: number
  /** Mass of one belt, kg/m: the middle of what is usual. @source to be verified with the belt maker */
  readonly mass: number
  /** What a belt's number tells. */
  readonly number: 'inside, in' | 'outside, 1/10 in' | 'pitch, mm'
  /** From the length the number tells to the pitch length, mm. */
  readonly toPitch: number
  /** Outside less pitch diameter of a single-section groove, mm. @source to be verified for the classical ones */
  readonly rim: number
  /** Stiffness of one belt in the deflection test, newtons. @source handbooks, low confidence */
  readonly stiffness: number
}

const inch = 25.4
const lbf = 4.4482216
const section = (
  id: string,
  notched: string | null,
  [width, thickness]: readonly [number, number],
  mass: number,
  number: BeltSection['number'],
  toPitch: number,
  rim: number,
  stiffness: number,
): BeltSection => ({
  id,
  notched,
  width: width * inch,
  thickness: thickness * inch,
  mass,
  number,
  toPitch: toPitch * inch,
  rim: rim * inch,
  stiffness: stiffness * lbf,
})

/**
 * Sections met on fans.
 * @source dimensions and numbering: belt standards; inside to pitch length: printed in textbooks; masses and
 * stiffnesses: to be verified with the maker; metric ones from memory
 */
export const beltSections: readonly BeltSection[] = [
  section('A', 'AX', [1 / 2, 5 / 16], 0.11, 'inside, in', 1.3, 0.25, 6),
  section('B', 'BX', [21 / 32, 13 / 32], 0.185, 'inside, in', 1.8, 0.35, 9),
  section('C', 'CX', [7 / 8, 17 / 32], 0.32, 'inside, in', 2.9, 0.4, 16),
  section('D', null, [5 / 4, 3 / 4], 0.63, 'inside, in', 3.3, 0.6, 30),
  section('3V', '3VX', [3 / 8, 5 / 16], 0.08, 'outside, 1/10 in', -0.05 * Math.PI, 0.05, 4),
  section('5V', '5VX', [5 / 8, 17 / 32], 0.205, 'outside, 1/10 in', -0.1 * Math.PI, 0.1, 12),
  section('8V', null, [1, 7 / 8], 0.55, 'outside, 1/10 in', -0.2 * Math.PI, 0.2, 30),
  section('4L', null, [1 / 2, 5 / 16], 0.1, 'outside, 1/10 in', -0.7, 0.25, 5),
  section('5L', null, [21 / 32, 3 / 8], 0.17, 'outside, 1/10 in', -1.2, 0.35, 7),
  section('SPZ', 'XPZ', [9.7 / inch, 8 / inch], 0.07, 'pitch, mm', 0, 4 / inch, 4),
  section('SPA', 'XPA', [12.7 / inch, 10 / inch], 0.12, 'pitch, mm', 0, 5.5 / inch, 6),
  section('SPB', 'XPB', [16.3 / inch, 13 / inch], 0.19, 'pitch, mm', 0, 7 / inch, 10),
]

/** The section of that name, notched or not. @throws RangeError when no such section is known */
export function beltSection(id: string): BeltSection {
  const name = id.trim().toUpperCase()
  const found = beltSections.find((s) => s.id === name || s.notched === name)
  if (!found) throw new RangeError(`section ${id} is not known`)
  return found
}

/**
 * Pitch length of a belt by its number: `A38` is 38 in inside, `5V800` is 80.0 in outside.
 * @returns millimetres @throws RangeError when the section is not known or the number not above zero
 */
export function pitchLength(sectionId: string, number: number): number {
  const s = beltSection(sectionId)
  if (!(number > 0)) throw new RangeError('number must be above zero')
  const told =
    s.number === 'inside, in' ? number * inch : s.number === 'outside, 1/10 in' ? (number * inch) / 10 : number
  return told + s.toPitch
}

/** Pitch diameter of a sheave whose outside is measured. Millimetres. @throws RangeError like `pitchLength` */
export function pitchFromOutside(sectionId: string, outside: number): number {
  const pitch = outside - beltSection(sectionId).rim
  if (!(pitch > 0)) throw new RangeError('outside is less than the groove is deep')
  return pitch
}

/** The numbers in which a section is stocked. @source from memory: stock lists of classical, narrow and metric belts */
export function stockNumbers(sectionId: string): number[] {
  const s = beltSection(sectionId)
  const run = (from: number, to: number, step: number) =>
    Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, i) => from + i * step)
  if (s.number === 'inside, in') {
    const first = s.id === 'A' ? 20 : s.id === 'B' ? 26 : s.id === 'C' ? 51 : 120
    return [...run(first, 100, 1), ...run(102, 144, 2), ...run(148, 300, 8)].filter((n) => n >= first)
  }
  // Half millimetres are left off the mark: 637, 650, 662.
  if (s.number === 'pitch, mm') return [...run(637.5, 1600, 12.5).map(Math.floor), ...run(1625, 3550, 25)]
  if (s.id === '4L' || s.id === '5L') return run(180, 1000, 10)
  // The preferred series of narrow belts, in tenths of an inch.
  return [
    250, 265, 280, 300, 315, 335, 355, 375, 400, 425, 450, 475, 500, 530, 560, 600, 630, 670, 710, 750, 800, 850, 900,
    950, 1000, 1060, 1120, 1180, 1250, 1320, 1400, 1500, 1600, 1700, 1800, 1900, 2000,
  ].filter((n) => s.id === '3V' || n >= (s.id === '5V' ? 500 : 1000))
}

/** The stocked belt nearest to a pitch length. @returns its number and pitch length in millimetres */
export function nearestBelt(sectionId: string, length: number): { number: number; length: number } {
  if (!(length > 0)) throw new RangeError('length must be above zero')
  return stockNumbers(sectionId)
    .map((number) => ({ number, length: pitchLength(sectionId, number) }))
    .reduce((a, b) => (Math.abs(b.length - length) < Math.abs(a.length - length) ? b : a))
}
