import { ohmsAt } from '../../../electrical/index.ts'
import { terminalPairs, terminalPositions } from '../../../quantity/index.ts'
import type { Context } from '../../context.ts'

export const leadName = (i: number) => terminalPositions[i] ?? ''
export const pairName = (i: number) => terminalPairs[i] ?? ''

/** Where the ohms were read; at the motor's own leads unless somebody entered another place. */
export const placeOf = (c: Context): string => c.answer('ohms.place') ?? 'motor'

/** Was it read anywhere but at the motor’s own leads? */
export const away = (c: Context): boolean => placeOf(c) !== 'motor'

export const toSplit = 'Split it: disconnect there and read at the motor’s own leads before the motor is condemned.'
/** The mean of the last balanced reading of this winding at 25 °C, or as it was read where its temperature was not. */
export function pastMean(c: Context): number | null {
  for (const s of c.earlier) {
    if (s.at < (c.motor?.installedAt ?? -Infinity)) continue
    if ((s.answers?.['ohms.place'] ?? 'motor') !== placeOf(c)) continue
    const own = terminalPairs.map((p) => s.readings.find((r) => r.quantity === 'winding_ohms' && r.position === p))
    if (own.some((r) => r === undefined || r.how === 'over-range' || r.how === 'unsteady')) continue
    const t = s.readings.find((r) => r.quantity === 'temperature' && r.position === 'winding')?.value
    const values = own.map((r) => (t === undefined ? (r?.value ?? 0) : ohmsAt(r?.value ?? 0, t, 25)))
    const mean = values.reduce((a, b) => a + b, 0) / 3
    // A reading that was out of balance itself is nothing to hold a good one against.
    if (mean > 0 && Math.max(...values.map((v) => Math.abs(v / mean - 1))) <= c.limit('winding-reject').value)
      return mean
  }
  return null
}

/**
 * Ohms between two leads that a motor of this nameplate can have, from its volts over its amps.
 * @source common practice: the locked current is four times the nameplate or more, so the winding alone is less than half of
 * volts over amps; under a two-thousandth of it nothing that is wound of copper lies
 */
export function possibleOhms(c: Context): { readonly least: number; readonly most: number } | null {
  const a = c.allowed
  const amps = a?.motorAmps ?? a?.amps
  return a && amps ? { least: (a.columnVolts / amps) * 0.0005, most: a.columnVolts / amps } : null
}

/** Within this of its last reading a pair has not changed. */
const unchanged = 0.05

/**
 * What one odd pair of three comes from. What lies in one lead or one phase of a wye shows in two pairs: three figures alone do not
 * tell one pair down from two pairs up; the last even reading does, where something stayed as it was.
 */
export function unevenPair(
  pairs: readonly [number, number, number],
  odd: number,
  before: number | null,
): { readonly because: string; readonly next: string } {
  const own = pairs[odd] ?? 0
  const others = pairs.filter((_, i) => i !== odd)
  const rest = others.reduce((a, b) => a + b, 0) / 2
  const lead = leadName((odd + 2) % 3)
  const two = `${pairName((odd + 1) % 3)} and ${pairName((odd + 2) % 3)}`
  const as = (v: number) => before !== null && Math.abs(v / before - 1) <= unchanged
  const cleaned = 'Clean and read again with the leads off; if it stays, plan a motor replacement.'
  const joints = 'Check lugs and splices first, then read again.'
  const low = own < rest
  if (as(rest))
    return low
      ? { because: `${pairName(odd)} low: shorted turns`, next: cleaned }
      : { because: `${pairName(odd)} high: bad connection or broken strand`, next: joints }
  if (as(own))
    return low
      ? { because: `${two} high: bad joint at ${lead}`, next: joints }
      : { because: `${two} low: shorted turns at ${lead}`, next: cleaned }
  return low
    ? {
        because: `${pairName(odd)} low: shorted turns, or a bad joint at ${lead} that raises both other pairs`,
        next: cleaned,
      }
    : {
        because: `${pairName(odd)} high: bad connection or broken strand, or shorted turns at ${lead} that lower both other pairs`,
        next: joints,
      }
}
