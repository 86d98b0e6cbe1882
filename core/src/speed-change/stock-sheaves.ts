import { beltSection } from '../drivetrain/index.ts'

const inches = (list: readonly number[]) => list.map((d) => d * 25.4)
/** Pitch diameters in which fixed sheaves of a section are stocked, mm. @source from memory: ordinary stock lists */
const stocks: Readonly<Record<string, readonly number[]>> = {
  A: inches([
    2.6, 2.8, 3, 3.2, 3.4, 3.6, 3.8, 4, 4.2, 4.4, 4.6, 4.8, 5, 5.2, 5.4, 5.6, 5.8, 6, 6.2, 6.4, 6.6, 7, 7.4, 8.2, 9,
    9.4, 10.6, 12, 15, 18,
  ]),
  B: inches([
    3.4, 3.6, 3.8, 4, 4.2, 4.4, 4.6, 4.8, 5, 5.2, 5.4, 5.6, 5.8, 6, 6.2, 6.4, 6.6, 6.8, 7.4, 8, 8.6, 9.4, 11, 12.4,
    13.6, 15.4, 16, 18.4, 20, 25, 30,
  ]),
  C: inches([7, 7.5, 8, 8.5, 9, 9.5, 10, 10.5, 11, 12, 13, 14, 16, 18, 20, 24, 30, 36]),
  '3V': inches([
    2.6, 2.75, 2.95, 3.1, 3.3, 3.6, 4.07, 4.45, 4.7, 4.95, 5.25, 5.55, 5.95, 6.45, 6.85, 7.95, 10.55, 13.95,
  ]),
  '5V': inches([7, 7.4, 7.9, 8.4, 8.9, 9.15, 9.65, 10.2, 10.8, 11.2, 11.7, 12.4, 13.1, 13.9, 14.9, 15.9, 18.6, 21.1]),
  SPZ: [63, 67, 71, 75, 80, 85, 90, 95, 100, 106, 112, 118, 125, 132, 140, 150, 160, 180, 200, 224, 250, 280, 315],
  SPA: [80, 85, 90, 95, 100, 106, 112, 118, 125, 132, 140, 150, 160, 180, 200, 224, 250, 280, 315, 355, 400, 450],
  SPB: [112, 118, 125, 132, 140, 150, 160, 170, 180, 190, 200, 212, 224, 236, 250, 280, 315, 355, 400, 450, 500],
}
const same: Readonly<Record<string, string>> = { '4L': 'A', '5L': 'B', D: 'C', '8V': '5V' }

/** Stocked pitch diameters of a section, mm, smallest first. @throws RangeError when the section is not known */
export function stockSheaves(section: string): readonly number[] {
  const { id } = beltSection(section)
  return stocks[id] ?? stocks[same[id] ?? ''] ?? []
}
