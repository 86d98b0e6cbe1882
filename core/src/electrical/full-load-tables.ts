const three: Record<string, readonly (number | null)[]> = {
  '0.5': [4.4, 2.5, 2.4, 2.2, 1.1, 0.9],
  '0.75': [6.4, 3.7, 3.5, 3.2, 1.6, 1.3],
  '1': [8.4, 4.8, 4.6, 4.2, 2.1, 1.7],
  '1.5': [12, 6.9, 6.6, 6, 3, 2.4],
  '2': [13.6, 7.8, 7.5, 6.8, 3.4, 2.7],
  '3': [null, 11, 10.6, 9.6, 4.8, 3.9],
  '5': [null, 17.5, 16.7, 15.2, 7.6, 6.1],
  '7.5': [null, 25.3, 24.2, 22, 11, 9],
  '10': [null, 32.2, 30.8, 28, 14, 11],
  '15': [null, 48.3, 46.2, 42, 21, 17],
  '20': [null, 62.1, 59.4, 54, 27, 22],
  '25': [null, 78.2, 74.8, 68, 34, 27],
  '30': [null, 92, 88, 80, 40, 32],
  '40': [null, 120, 114, 104, 52, 41],
  '50': [null, 150, 143, 130, 65, 52],
  '60': [null, 177, 169, 154, 77, 62],
  '75': [null, 221, 211, 192, 96, 77],
  '100': [null, 285, 273, 248, 124, 99],
  '125': [null, 359, 343, 312, 156, 125],
  '150': [null, 414, 396, 360, 180, 144],
  '200': [null, 552, 528, 480, 240, 192],
  '250': [null, null, null, null, 302, 242],
  '300': [null, null, null, null, 361, 289],
  '350': [null, null, null, null, 414, 336],
  '400': [null, null, null, null, 477, 382],
  '450': [null, null, null, null, 515, 412],
  '500': [null, null, null, null, 590, 472],
}
const single: Record<string, readonly number[]> = {
  '0.166': [4.4, 2.5, 2.4, 2.2],
  '0.25': [5.8, 3.3, 3.2, 2.9],
  '0.333': [7.2, 4.1, 4, 3.6],
  '0.5': [9.8, 5.6, 5.4, 4.9],
  '0.75': [13.8, 7.9, 7.6, 6.9],
  '1': [16, 9.2, 8.8, 8],
  '1.5': [20, 11.5, 11, 10],
  '2': [24, 13.8, 13.2, 12],
  '3': [34, 19.6, 18.7, 17],
  '5': [56, 32.2, 30.8, 28],
  '7.5': [80, 46, 44, 40],
  '10': [100, 57.5, 55, 50],
}
const columns3 = [115, 200, 208, 230, 460, 575]
const columns1 = [115, 200, 208, 230]
// Each column serves the system voltages of its listed range: 240 the 230 column, 480 the 460, 600 the 575.
const system: Record<number, number> = {
  120: 115,
  110: 115,
  220: 230,
  240: 230,
  440: 460,
  480: 460,
  550: 575,
  600: 575,
}

export interface TableCurrent {
  readonly amps: number
  /** The row taken: the power asked for, or the next larger one printed. */
  readonly rowHp: number
  readonly columnVolts: number
}

/**
 * Full-load current from the code's tables, for conductors and short-circuit protection; never for the overload
 * setting and never for judging a motor, whose own plate governs.
 * @param hp rated power in horsepower; a size that is not printed takes the next larger row
 * @param volts system or motor volts; no interpolation between columns
 * @returns null when no printed column or row serves
 * @throws RangeError when hp or volts is not above zero
 * @source NEC Tables 430.250 (three-phase; its rows over 100 hp and its 115 V column from memory) and 430.248 (single-phase)
 */
export function fullLoadCurrent(phases: 1 | 3, hp: number, volts: number): TableCurrent | null {
  if (!Number.isFinite(hp) || hp <= 0) throw new RangeError('hp must be a finite number above zero')
  if (!Number.isFinite(volts) || volts <= 0) throw new RangeError('volts must be a finite number above zero')
  const columnVolts = system[volts] ?? volts
  const index = (phases === 3 ? columns3 : columns1).indexOf(columnVolts)
  if (index < 0) return null
  const rows = Object.entries(phases === 3 ? three : single)
    .flatMap(([size, amps]) => {
      const printed = amps[index] ?? null
      return printed === null ? [] : [{ rowHp: Number(size), amps: printed }]
    })
    .sort((a, b) => a.rowHp - b.rowHp)
  const row = rows.find((r) => r.rowHp >= hp - 0.005)
  if (!row || (phases === 3 && hp < 0.495)) return null
  return { ...row, columnVolts }
}
