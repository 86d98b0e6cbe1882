import { mean, requireMagnitude, three, type ThreePhase } from '../quantity/index.ts'

/** Three readings by line in each of three connections, all three leads moved the same way in between. */
export type LeadRoll = readonly [ThreePhase, ThreePhase, ThreePhase]

export interface LeadRollAnswer {
  readonly grand: number
  /** What each line adds to the mean, amperes. */
  readonly lines: ThreePhase
  /** What each motor lead adds to the mean, amperes. */
  readonly leads: ThreePhase
  /** Ranges over the grand mean, as fractions. */
  readonly lineRange: number
  readonly leadRange: number
  readonly blames: 'supply' | 'motor' | 'neither'
  /** The line or lead that stands out most, 0 for L1 or T1. */
  readonly odd: number
}

const spread = (t: ThreePhase) => Math.max(...t) - Math.min(...t)

/**
 * Tell supply from motor by rolling the leads. Connection 1 is L1-T1, L2-T2, L3-T3; 2 is L1-T3, L2-T1, L3-T2; 3 is
 * L1-T2, L2-T3, L3-T1. An odd current that stays with its line is the supply's, one that travels with its lead the
 * motor's; in the square both effects separate.
 * @param readings by line, amperes
 * @param even below this range, as a fraction, nothing stands out
 * @throws RangeError when a current is negative, not finite, or all are zero
 * @source additive model of a 3 by 3 Latin square; the test is common practice
 */
export function leadRoll(readings: LeadRoll, even = 0.03): LeadRollAnswer {
  for (const r of readings) for (const a of r) requireMagnitude('readings', a)
  const grand = mean(readings.flat())
  if (grand === 0) throw new RangeError('readings must not all be zero')
  // Lead k sits on line (k + connection) of the three.
  const at = (connection: number, line: number) => readings[connection]?.[line] ?? 0
  const effect = (f: (k: number, connection: number) => number) =>
    three([0, 1, 2].map((k) => mean([0, 1, 2].map((c) => f(k, c))) - grand))
  const lines = effect((k, c) => at(c, k))
  const leads = effect((k, c) => at(c, (k + c) % 3))
  const lineRange = spread(lines) / grand
  const leadRange = spread(leads) / grand
  const blames = Math.max(lineRange, leadRange) < even ? 'neither' : lineRange >= leadRange ? 'supply' : 'motor'
  const of = blames === 'motor' ? leads : lines
  const odd = of.reduce((best, v, i) => (Math.abs(v) > Math.abs(of[best] ?? 0) ? i : best), 0)
  return { grand, lines, leads, lineRange, leadRange, blames, odd }
}
