import * as show from './format.ts'
import { findQuantity, type Reading } from './quantities.ts'
import { shownDecimals, shownUnit, writtenUnit, type ShownUnits } from './shown.ts'
import { convert } from './units.ts'

const byUnit: Readonly<Record<string, (value: number, units: ShownUnits) => string>> = {
  ohm: show.ohms,
  Mohm: show.megohms,
  uF: show.microfarads,
  degC: (value, units) => show.temperature(value, units.temperature),
  A: (value) => `${show.amps(value)} A`,
}

/**
 * A value of a quantity with its unit, as a site has it: `0.452 Ω`, `140 °F`, `249 Pa`.
 * @param value in the unit in which the quantity is kept
 */
export function figureWords(quantity: string, value: number, units: ShownUnits): string {
  const unit = findQuantity(quantity)?.unit
  // Kept by an app that knew another quantity: the figure all the same.
  if (unit === undefined) return show.trimmed(value, 3)
  const own = byUnit[unit]
  if (own) return own(value, units)
  const to = shownUnit(quantity, units)
  // What was typed in this unit is shown as it was typed.
  const decimals = to === unit ? (Math.abs(value) < 1 ? 3 : 2) : shownDecimals(to)
  return `${show.trimmed(convert(value, unit, to), decimals)} ${writtenUnit(to)}`.trim()
}

/** What was read: its figure, or that it was over the range of the meter. */
export const readingFigure = (
  r: Pick<Reading, 'value' | 'how'> & { readonly quantity: string },
  units: ShownUnits,
): string =>
  r.how === 'over-range'
    ? findQuantity(r.quantity)?.unit === 'ohm'
      ? 'open'
      : 'over range'
    : figureWords(r.quantity, r.value, units)
