import { findQuantity, show, type Reading } from '../quantity/index.ts'
import { median } from '../trend/index.ts'

/** A reading that looks like a slip of the finger or the clamp. It is asked about, never refused. */
export interface Slip {
  readonly kind: 'out of range' | 'ten times' | 'a tenth' | 'phase twice'
  readonly asks: string
}

const shown = (r: Reading) => {
  const unit = findQuantity(r.quantity)?.unit ?? ''
  return `${r.quantity === 'amps' ? show.amps(r.value) : String(r.value)} ${unit}`
}

/**
 * Question a reading against what an instrument can show, what is usual here and the other phases of this stop.
 * @param reading the one just entered
 * @param others readings already entered at this stop
 * @param past earlier values of the same quantity and position, oldest first
 * @param pastOf earlier values at another position, oldest first like `past`
 * @param plate plate amps or nominal volts, used while there is no past
 */
export function slipGuard(
  reading: Reading,
  others: readonly Reading[],
  past: readonly number[],
  pastOf: (position: string) => readonly number[],
  plate: number | null,
): Slip | null {
  const quantity = findQuantity(reading.quantity)
  if (quantity && (reading.value < quantity.range[0] || reading.value > quantity.range[1]))
    return {
      kind: 'out of range',
      asks: `${shown(reading)} is outside what ${quantity.title.toLowerCase()} can be (${quantity.range[0]} to ${quantity.range[1]} ${quantity.unit}). Is the unit or a digit wrong?`,
    }
  const usual = past.length >= 2 ? median(past) : plate
  if (usual !== null && usual > 0 && reading.value > 0) {
    const ratio = reading.value / usual
    const told = past.length >= 2 ? 'usual here' : 'on the plate'
    if (ratio > 7 && ratio < 14)
      return {
        kind: 'ten times',
        asks: `${shown(reading)} is ten times what is ${told}. Is the decimal point missing?`,
      }
    if (ratio > 1 / 14 && ratio < 1 / 7)
      return {
        kind: 'a tenth',
        asks: `${shown(reading)} is a tenth of what is ${told}. Is the decimal point in the wrong place?`,
      }
  }
  // Only phases are read twice by mistake; two spots on a bearing may well shake alike.
  const phases = ['current', 'voltage', 'resistance'].includes(quantity?.dimension ?? '')
  const twin = others.find(
    (o) => phases && o.quantity === reading.quantity && o.position !== reading.position && o.value === reading.value,
  )
  if (twin && reading.value > 0) {
    const own = past
    const other = pastOf(twin.position)
    const n = Math.min(own.length, other.length)
    if (n >= 3) {
      const gap = median(own.slice(-n)) / median(other.slice(-n)) - 1
      if (Math.abs(gap) > 0.02)
        return {
          kind: 'phase twice',
          asks: `${reading.position} reads exactly as ${twin.position}, but they usually differ by ${show.percent(Math.abs(gap))}. Was ${twin.position} read twice?`,
        }
    }
  }
  return null
}
