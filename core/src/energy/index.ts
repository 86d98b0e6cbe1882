import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** Kilowatts taken from the supply by a motor. @param load, efficiency as fractions @source hp · 0.7457 · load / η */
export function motorKilowatts(hp: number, load: number, efficiency: number): number {
  requirePositive('hp', hp)
  requireMagnitude('load', load)
  if (!(efficiency > 0 && efficiency <= 1)) throw new RangeError('efficiency must lie between 0 and 1')
  return (hp * 0.7457 * load) / efficiency
}

/** Kilowatts that a pressure costs at a flow. @param flow cfm @param pressure in wg @param efficiency of fan, belt and motor together */
export function pressureKilowatts(flow: number, pressure: number, efficiency: number): number {
  requireMagnitude('flow', flow)
  requireMagnitude('pressure', pressure)
  if (!(efficiency > 0 && efficiency <= 1)) throw new RangeError('efficiency must lie between 0 and 1')
  return (flow * pressure * 0.7457) / (6356 * efficiency)
}

/** Years until what is saved each year has paid what it cost; null where nothing is saved. */
export const paybackYears = (cost: number, saved: number): number | null => (saved > 0 ? cost / saved : null)

/**
 * What a yearly sum over so many years is worth today.
 * @param rate of interest and @param growth of the sum, a year, as fractions
 * @throws RangeError when years are not above zero or a rate not above −1
 * @source annuity that grows: A [1 − ((1 + g)/(1 + i))ⁿ]/(i − g); A n/(1 + i) where both are the same
 */
export function presentValue(yearly: number, rate: number, years: number, growth = 0): number {
  requirePositive('years', years)
  if (!(rate > -1)) throw new RangeError('rate must be above −100 %')
  if (!(growth > -1)) throw new RangeError('growth must be above −100 %')
  if (Math.abs(rate - growth) < 1e-12) return (yearly * years) / (1 + rate)
  return (yearly * (1 - ((1 + growth) / (1 + rate)) ** years)) / (rate - growth)
}
