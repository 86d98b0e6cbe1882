import { factorOf, type LivePlate, type LiveQuantity } from './quantities.ts'

/** What was seen of a point: numbers as they came, those of a machine that stood left out of the middle. */
export interface PointSeen {
  readonly n: number
  readonly low: number
  readonly high: number
  /** Median of what is above zero; null where nothing is. */
  readonly middle: number | null
}

/** A motor that runs draws and turns within these shares of its nameplate. @source common practice */
const sensible = { amps: [0.12, 1.6], hz: [0.15, 1.3] } as const

const within = (x: number, [low, high]: readonly [number, number]) => x >= low && x <= high

/**
 * Does what was seen of a point fit the nameplate in this unit? A tenth taken for a whole makes a motor that draws ten times
 * what it may.
 * @returns null where it fits or nothing can be said, else one sentence, with the unit in which it would fit
 */
export function unitDoubt(quantity: LiveQuantity, unit: string, seen: PointSeen, plate: LivePlate): string | null {
  if (seen.n === 0) return null
  if (quantity.id === 'running' || quantity.id === 'call')
    return seen.low < 0 || seen.high > 1
      ? `It sends ${figure(seen.low)} to ${figure(seen.high)}: on and off are 1 and 0.`
      : null
  const factor = factorOf(quantity, unit, plate)
  if (factor === null) return 'The nameplate does not say what 100 % is. Enter it first, or send it in another unit.'
  const whole = quantity.id === 'hz' ? plate.hz : plate.amps
  if (seen.low * factor < quantity.range[0]) return `It sends ${figure(seen.low)}: below zero.`
  if (whole === null || seen.middle === null) return null
  const range = sensible[quantity.id]
  if (within((seen.middle * factor) / whole, range)) return null
  const others = quantity.units.filter((u) => {
    const other = factorOf(quantity, u.id, plate)
    return u.id !== unit && other !== null && within(((seen.middle ?? 0) * other) / whole, range)
  })
  const told = `Mostly ${figure(seen.middle * factor)} ${quantity.unit} while it runs, on a nameplate of ${figure(whole)} ${quantity.unit}.`
  return others.length === 0
    ? `${told} Is it another machine’s point?`
    : `${told} Is it sent in ${others.map((u) => u.id).join(', or in ')}?`
}

const figure = (x: number): string => String(Number(x.toPrecision(3)))
