import { mean, requireMagnitude, requirePositive, type ThreePhase } from '../quantity/index.ts'

const copper = 234.5

/**
 * Resistance of a copper winding at another temperature.
 * @param ohms as read, ohms
 * @returns ohms at `toCelsius`
 * @throws RangeError when an argument is out of range
 * @source copper, 234.5 °C constant
 */
export function ohmsAt(ohms: number, fromCelsius: number, toCelsius: number): number {
  requireMagnitude('ohms', ohms)
  if (!(fromCelsius > -copper)) throw new RangeError('fromCelsius lies below the range of copper')
  if (!(toCelsius > -copper)) throw new RangeError('toCelsius lies below the range of copper')
  return (ohms * (copper + toCelsius)) / (copper + fromCelsius)
}

/**
 * Temperature of a winding from its resistance cold and hot.
 * @returns °C
 * @throws RangeError when a resistance is not above zero
 * @source copper, 234.5 °C constant
 */
export function temperatureByOhms(coldOhms: number, coldCelsius: number, hotOhms: number): number {
  requirePositive('coldOhms', coldOhms)
  requirePositive('hotOhms', hotOhms)
  return (hotOhms / coldOhms) * (copper + coldCelsius) - copper
}

/** The resistances of the three phases that three terminal readings stand for, ohms. */
export interface PhaseOhms {
  readonly wye: ThreePhase
  readonly delta: ThreePhase
}

/**
 * Phase resistances from the three terminal-to-terminal readings, as a wye a, b, c and as a delta ab, bc, ca.
 * @param pairs T1-T2, T2-T3, T3-T1, in ohms
 * @returns null when no three phases give such readings
 * @throws RangeError when a reading is not above zero
 * @source circuit theory
 */
export function phaseOhms(pairs: ThreePhase): PhaseOhms | null {
  for (const p of pairs) requirePositive('pairs', p)
  const [ab, bc, ca] = pairs
  const m = (ab + bc + ca) / 2
  const [a, b, c] = [m - bc, m - ca, m - ab]
  if (a <= 0 || b <= 0 || c <= 0) return null
  return { wye: [a, b, c], delta: [a + b + (a * b) / c, b + c + (b * c) / a, c + a + (c * a) / b] }
}

/**
 * Unbalance of winding resistances: the largest deviation from the average, over the average.
 * @param pairs T1-T2, T2-T3, T3-T1, in ohms, lead resistance taken off
 * @returns fraction
 * @throws RangeError when a reading is negative, not finite, or all are zero
 * @source the definition of NEMA MG 1, 14.36 applied to resistances; common practice
 */
export function windingUnbalance(pairs: ThreePhase): number {
  for (const p of pairs) requireMagnitude('pairs', p)
  const average = mean(pairs)
  if (average === 0) throw new RangeError('pairs must not all be zero')
  return Math.max(...pairs.map((p) => Math.abs(p - average))) / average
}

/** What the three pairs of a winding look like. `lead` and `pair` are indexes: T1 is 0, T1-T2 is 0. */
export type WindingPattern =
  | { readonly kind: 'even' }
  | { readonly kind: 'all open' }
  /** One lead reads open to both others: a wye phase, or the lead itself, is open. */
  | { readonly kind: 'lead open'; readonly lead: number }
  /** Two to one to one: the branch of a delta across that pair is open. */
  | { readonly kind: 'delta branch open'; readonly pair: number }
  /** One pair reads clearly less than the others: turns are shorted in it. */
  | { readonly kind: 'low pair'; readonly pair: number }
  | { readonly kind: 'high pair'; readonly pair: number }

/** The lead that two open pairs share: pairs 0 and 1 share T2, 1 and 2 share T3, 2 and 0 share T1. */
const sharedLead = [1, 2, 0] as const

/**
 * Name the pattern of three winding readings.
 * @param pairs T1-T2, T2-T3, T3-T1, in ohms
 * @param open which of them showed over range
 * @param reject deviation from the others, as a fraction, above which a pair stands out
 * @throws RangeError when a reading is negative or not finite
 * @source circuit theory: an open delta branch reads 2 : 1 : 1
 */
export function windingPattern(
  pairs: ThreePhase,
  open: readonly [boolean, boolean, boolean],
  reject: number,
): WindingPattern {
  for (const p of pairs) requireMagnitude('pairs', p)
  const opens = open.filter(Boolean).length
  if (opens === 3) return { kind: 'all open' }
  if (opens === 2) {
    const whole = open.indexOf(false)
    return { kind: 'lead open', lead: sharedLead[(whole + 1) % 3] ?? 0 }
  }
  // One open pair of three closes no circuit of a winding: the two others would close it. It was misread.
  if (opens === 1) return { kind: 'high pair', pair: open.indexOf(true) }
  for (let i = 0; i < 3; i++) {
    const own = pairs[i] ?? 0
    const others = pairs.filter((_, k) => k !== i)
    const rest = mean(others)
    const even = Math.max(...others) - Math.min(...others) <= Math.max(2 * reject, 0.06) * Math.max(rest, 1e-9)
    if (!even || rest === 0) continue
    if (own > 1.8 * rest && own < 2.2 * rest) return { kind: 'delta branch open', pair: i }
    if (own > (1 + 1.5 * reject) * rest) return { kind: 'high pair', pair: i }
    if (own < (1 - 1.5 * reject) * rest) return { kind: 'low pair', pair: i }
  }
  if (Math.max(...pairs) > 0 && windingUnbalance(pairs) > reject) {
    const average = mean(pairs)
    const worst = pairs.reduce(
      (best, p, i) => (Math.abs(p - average) > Math.abs((pairs[best] ?? 0) - average) ? i : best),
      0,
    )
    return { kind: (pairs[worst] ?? 0) < average ? 'low pair' : 'high pair', pair: worst }
  }
  return { kind: 'even' }
}
