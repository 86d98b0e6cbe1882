import { convert, parseFigure, show } from '../quantity/index.ts'
import { readColumns, type PlateColumn } from './columns.ts'
import type { Plate, PlateField } from './plate.ts'
import { polesOf } from './synchronous-speed.ts'

/** Something on a plate that a careful reader would read again. Never blocks: plates are odd, and some are wrong. */
export interface PlateQuestion {
  readonly field: PlateField
  readonly asks: string
}

/** Hertz figures of a plate: `60`, `50/60`. */
export function plateHertz(text: string | undefined): number[] {
  return (text ?? '').split('/').flatMap((part) => parseFigure(part.replace(/hz/i, '')) ?? [])
}

// Efficiency times power factor at full load, lowest and highest met by size. Common practice: small
// motors are poor, and nothing turns more than 92 % of its volt-amperes into shaft power.
const yieldBand = (watts: number, phases: 1 | 3): readonly [number, number] => {
  const low = phases === 1 ? 0.22 : watts < 800 ? 0.32 : watts < 4000 ? 0.5 : 0.6
  return [low, 0.92]
}

function ampsQuestions(plate: Plate, columns: readonly PlateColumn[]): PlateQuestion[] {
  if (plate.power === undefined || plate.phases === undefined) return []
  const watts = convert(plate.power, plate.powerUnit ?? 'hp', 'W')
  const root = plate.phases === 3 ? Math.sqrt(3) : 1
  const [low, high] = yieldBand(watts, plate.phases)
  const out: PlateQuestion[] = []
  for (const c of columns) {
    if (c.amps === null) continue
    const va = root * c.volts * c.amps
    const share = watts / va
    const told = `${show.amps(c.amps)} A at ${show.volts(c.volts)} V`
    const power = `${plate.power} ${plate.powerUnit ?? 'hp'}`
    if (plate.efficiency !== undefined && plate.powerFactor !== undefined) {
      const expected = watts / (root * c.volts * plate.efficiency * plate.powerFactor)
      if (Math.abs(c.amps / expected - 1) > 0.15)
        out.push({
          field: 'amps',
          asks: `${told}, but ${power} at this efficiency and power factor draws about ${show.amps(expected)} A. Read the amps, power, efficiency and power factor again.`,
        })
    } else if (share > high)
      out.push({
        field: 'amps',
        asks: `${told} carries ${(va / 1000).toFixed(2)} kVA, too little for ${power}. Is a digit of the power or the amps misread?`,
      })
    else if (share < low)
      out.push({
        field: 'amps',
        asks: `${told} is far more than ${power} needs: ${(share * 100).toFixed(0)} % of the volt-amperes would reach the shaft. Read both again.`,
      })
  }
  return out
}

function columnQuestions(columns: readonly PlateColumn[]): PlateQuestion[] {
  const out: PlateQuestion[] = []
  const byVolts = [...columns].filter((c) => c.amps !== null).sort((a, b) => a.volts - b.volts)
  for (let i = 1; i < byVolts.length; i++) {
    const low = byVolts[i - 1]
    const high = byVolts[i]
    if (low?.amps == null || high?.amps == null) continue
    if (low.amps < high.amps)
      out.push({
        field: 'amps',
        asks: `${show.amps(low.amps)} A at ${low.volts} V is less than ${show.amps(high.amps)} A at ${high.volts} V. The lower voltage draws more; are the columns swapped?`,
      })
    else if (Math.abs(high.volts / low.volts - 2) < 1e-9 && Math.abs(low.amps / high.amps - 2) > 0.1)
      out.push({
        field: 'amps',
        asks: `At twice the volts a dual-voltage winding draws half the amps; ${show.amps(low.amps)} and ${show.amps(high.amps)} A do not.`,
      })
  }
  for (const c of columns)
    if (c.sfa !== null && c.amps !== null && (c.sfa < c.amps || c.sfa > c.amps * 1.5))
      out.push({
        field: 'sfa',
        asks: `Service-factor amps of ${show.amps(c.sfa)} A beside ${show.amps(c.amps)} A at ${c.volts} V: read both again.`,
      })
  return out
}

/**
 * Question what on a plate cannot be, or hardly. Fields that are blank or marked unreadable are not asked about.
 * @returns questions in plate order; empty when the plate hangs together
 * @source induction-motor arithmetic; the yield bands are common practice
 */
export function questionPlate(plate: Plate): PlateQuestion[] {
  const out: PlateQuestion[] = []
  let columns: readonly PlateColumn[] = []
  if (plate.volts !== undefined) {
    try {
      columns = readColumns(plate.volts, plate.amps, plate.sfa)
    } catch (e) {
      if (!(e instanceof RangeError)) throw e
      const field = e.message.startsWith('volts') ? 'volts' : e.message.startsWith('sfa') ? 'sfa' : 'amps'
      out.push({ field, asks: e.message })
    }
  }
  out.push(...columnQuestions(columns), ...ampsQuestions(plate, columns))
  const hz = plateHertz(plate.hz)
  const { rpm } = plate
  if (rpm !== undefined && rpm > 0 && hz.length > 0 && !hz.some((f) => f > 0 && polesOf(f, rpm) !== null))
    out.push({
      field: 'rpm',
      asks: `${rpm} rpm does not lie just below a synchronous speed at ${plate.hz ?? ''} Hz (3600, 1800, 1200, 900 at 60 Hz; 3000, 1500, 1000, 750 at 50 Hz).`,
    })
  if (plate.sf !== undefined && (plate.sf < 1 || plate.sf > 1.5))
    out.push({ field: 'sf', asks: `A service factor of ${plate.sf} is not usual; 1.0, 1.15 and 1.25 are.` })
  if (plate.phases === 3 && plate.capacitorUf !== undefined)
    out.push({ field: 'capacitorUf', asks: 'A three-phase motor has no run capacitor. Is the motor single-phase?' })
  return out
}
