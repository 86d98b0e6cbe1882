import { findQuantity, mean, show, type Reading } from '../quantity/index.ts'
import { median } from '../trend/index.ts'

/** A reading that looks like a slip of the finger or the clamp. It is asked about, never refused. */
export interface Slip {
  readonly kind:
    | 'out of range'
    | 'ten times'
    | 'a tenth'
    | 'a hundred times'
    | 'a hundredth'
    | 'digits swapped'
    | 'phase twice'
    | 'volts for amps'
    | 'amps for volts'
  readonly asks: string
}

/** What is known of a cell before anybody types into it. */
interface Usual {
  readonly middle: number
  /** Relative, three times the usual scatter of earlier readings. */
  readonly scatter: number
  /** How far a true reading may lie from the middle, as shares of it. */
  readonly least: number
  readonly most: number
  readonly told: string
}

const figure = (quantity: string, value: number) => {
  const unit = findQuantity(quantity)?.unit ?? ''
  return `${quantity === 'amps' ? show.amps(value) : String(value)} ${unit}`
}
const shown = (r: Reading) => figure(r.quantity, r.value)

const deviation = (values: readonly number[], middle: number): number =>
  Math.sqrt(values.reduce((sum, x) => sum + (x - middle) ** 2, 0) / Math.max(1, values.length - 1))

/** Three sigma of earlier readings, wider where there are few of them; meters and supplies alone make three percent. */
function scatterOf(past: readonly number[], middle: number): number {
  const own = deviation(
    past.map((x) => x / middle),
    1,
  )
  return Math.min(Math.max(0.03, 3 * own * (1 + 1.5 / past.length)), 0.3)
}

function usualOf(quantity: string, past: readonly number[], plate: number | null): Usual | null {
  if (past.length >= 2) {
    const middle = median(past)
    if (middle > 0) return { middle, scatter: scatterOf(past, middle), least: 0.5, most: 1.8, told: 'usual here' }
  }
  if (plate === null || plate <= 0) return null
  // A fan motor runs anywhere below its plate; a supply stands near its nominal volts.
  return quantity === 'amps'
    ? { middle: plate, scatter: 0.4, least: 0.25, most: 1.3, told: 'on the plate' }
    : { middle: plate, scatter: 0.06, least: 0.8, most: 1.2, told: 'nominal here' }
}

const decades = [
  { power: 1, kind: 'ten times', asks: 'ten times', why: 'Is the decimal point missing?' },
  { power: 2, kind: 'a hundred times', asks: 'a hundred times', why: 'Is the decimal point missing?' },
  { power: -1, kind: 'a tenth', asks: 'a tenth of', why: 'Is the decimal point in the wrong place?' },
  { power: -2, kind: 'a hundredth', asks: 'a hundredth of', why: 'Is the decimal point in the wrong place?' },
] as const

/** Off by whole decades: far from the usual as typed, and like it with the point moved. */
function decade(reading: Reading, usual: Usual): Slip | null {
  const ratio = reading.value / usual.middle
  if (ratio > usual.least && ratio < usual.most) return null
  const found = decades.find((d) => {
    const moved = ratio / 10 ** d.power
    return moved > usual.least && moved < usual.most
  })
  return found
    ? { kind: found.kind, asks: `${shown(reading)} is about ${found.asks} what is ${usual.told}. ${found.why}` }
    : null
}

/** Every value that two neighboring digits changed about would give, also where the last of them was a zero. */
function swapped(value: number): number[] {
  const texts = [String(value), String(value).includes('.') ? `${String(value)}0` : `${String(value)}.0`]
  return texts.flatMap((text) => {
    const at = [...text].flatMap((ch, i) => (/\d/.test(ch) ? [i] : []))
    return at.slice(1).flatMap((j, k) => {
      const i = at[k] ?? 0
      if (text[i] === text[j]) return []
      const out = [...text]
      out[i] = text[j] ?? ''
      out[j] = text[i] ?? ''
      return [Number(out.join(''))]
    })
  })
}

function digits(reading: Reading, usual: Usual, last: number | undefined): Slip | null {
  const off = (value: number) => Math.abs(value / usual.middle - 1)
  if (off(reading.value) <= usual.scatter) return null
  // Where it has moved since, near the last reading is as usual as near the middle of all.
  if (last !== undefined && last > 0 && Math.abs(reading.value / last - 1) <= usual.scatter) return null
  const meant = swapped(reading.value).find((x) => off(x) <= usual.scatter)
  return meant === undefined
    ? null
    : {
        kind: 'digits swapped',
        asks: `${shown(reading)} is not ${usual.told}; ${figure(reading.quantity, meant)} would be. Are two digits swapped?`,
      }
}

const isVolts = (quantity: string) => findQuantity(quantity)?.dimension === 'voltage'
const near = (value: number, to: number, share: number) => Math.abs(value / to - 1) <= share

/** Volts in a cell for amps, or amps in one for volts: far from what the cell should hold and like the other. */
function mixed(reading: Reading, usual: Usual | null, other: number | null): Slip | null {
  if (other === null || other <= 0) return null
  const ratio = usual ? reading.value / usual.middle : null
  if (reading.quantity === 'amps') {
    const volts = near(reading.value, other, 0.12) || near(reading.value, other / Math.sqrt(3), 0.1)
    return volts && (ratio === null || ratio > 1.6 || ratio < 0.5)
      ? { kind: 'volts for amps', asks: `${shown(reading)}: that is like the volts here. Is the meter on volts?` }
      : null
  }
  return isVolts(reading.quantity) &&
    reading.value > 0.2 * other &&
    reading.value < 1.4 * other &&
    ratio !== null &&
    ratio < 0.75
    ? { kind: 'amps for volts', asks: `${shown(reading)}: that is like the amps here. Is the meter on amps?` }
    : null
}

const decimals = (value: number) => (String(value).split('.')[1] ?? '').length
const significant = (value: number) => String(value).replace('.', '').replace(/^0+/, '').length

/** Between two legs read with one clamp, from visit to visit. */
const clampGap = 0.02

/** Only phases are read twice by mistake; two spots on a bearing may well shake alike. */
function twice(
  reading: Reading,
  others: readonly Reading[],
  past: readonly number[],
  pastOf: (position: string) => readonly number[],
): Slip | null {
  const dimension = findQuantity(reading.quantity)?.dimension ?? ''
  if (!['current', 'voltage', 'resistance'].includes(dimension) || reading.value <= 0) return null
  const twin = others.find(
    (o) => o.quantity === reading.quantity && o.position !== reading.position && o.value === reading.value,
  )
  if (!twin) return null
  const other = pastOf(twin.position)
  const n = Math.min(past.length, other.length)
  if (n < 3) {
    // Four figures that agree to the last are seldom two readings.
    return dimension === 'current' && significant(reading.value) >= 4
      ? {
          kind: 'phase twice',
          asks: `${reading.position} reads exactly as ${twin.position}. Was ${twin.position} read twice?`,
        }
      : null
  }
  const gaps = past.slice(-n).map((x, i) => x / (other[other.length - n + i] ?? x) - 1)
  const gap = mean(gaps)
  // Few visits say little of how much the gap of two legs wanders: what clamps do everywhere counts as four more.
  const wanders = Math.sqrt(
    (gaps.reduce((sum, g) => sum + (g - gap) ** 2, 0) + 4 * clampGap ** 2) / Math.max(1, gaps.length + 3),
  )
  // Read to whole steps of the display, two legs agree often enough by themselves.
  const step = 10 ** -Math.max(...past.map(decimals), decimals(reading.value)) / reading.value
  return Math.abs(gap) > Math.max(1.8 * wanders, 1.5 * step, 0.008)
    ? {
        kind: 'phase twice',
        asks: `${reading.position} reads exactly as ${twin.position}, but they usually differ by ${show.percent(Math.abs(gap))}. Was ${twin.position} read twice?`,
      }
    : null
}

/**
 * Question a reading against what an instrument can show, what is usual here and the other phases of this visit.
 * @param reading the one just entered
 * @param others readings already entered at this visit
 * @param past earlier values of the same quantity and position, oldest first
 * @param pastOf earlier values at another position, oldest first like `past`
 * @param plate plate amps or nominal volts, used while there is no past
 * @param other for amps the nominal volts, for volts the amps that are usual or on the plate; null: not known
 */
export function slipGuard(
  reading: Reading,
  others: readonly Reading[],
  past: readonly number[],
  pastOf: (position: string) => readonly number[],
  plate: number | null,
  other: number | null = null,
): Slip | null {
  const quantity = findQuantity(reading.quantity)
  if (quantity && (reading.value < quantity.range[0] || reading.value > quantity.range[1]))
    return {
      kind: 'out of range',
      asks: `${shown(reading)} is outside what ${quantity.title.toLowerCase()} can be (${quantity.range[0]} to ${quantity.range[1]} ${quantity.unit}). Is the unit or a digit wrong?`,
    }
  const usual = usualOf(reading.quantity, past, plate)
  const size =
    reading.value > 0
      ? (mixed(reading, usual, other) ??
        (usual
          ? (decade(reading, usual) ?? (usual.told === 'on the plate' ? null : digits(reading, usual, past.at(-1))))
          : null))
      : null
  return size ?? twice(reading, others, past, pastOf)
}
