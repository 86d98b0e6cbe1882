import { requireMagnitude, type ThreePhase } from '../quantity/index.ts'

/** What three readings between the leads A, B, C of a single-phase motor say. Leads are indexes, A is 0. */
export type PscReading =
  | {
      readonly kind: 'leads found'
      readonly common: number
      readonly run: number
      readonly start: number
      readonly runOhms: number
      readonly startOhms: number
      /** By how much run-start misses the sum of the two others, as a fraction of it. */
      readonly misfit: number
    }
  /**
   * One pair still reads and the lead it leaves out is open to both. `protector`: that pair is run and start in series,
   * so the common is open, by its protector while hot or for good. `winding`: the pair is one winding, the other is open.
   */
  | {
      readonly kind: 'one lead open'
      readonly lead: number
      readonly ohms: number
      readonly says: 'protector' | 'winding' | 'either'
    }
  | { readonly kind: 'all open' }
  /** The three do not add up: turns are shorted, or a pair was read twice. */
  | { readonly kind: 'do not add up'; readonly misfit: number }

/** What the same motor read when it was whole, ohms. */
export interface PscPast {
  readonly run: number
  readonly start: number
}

/** Pair 0 is A-B, 1 is B-C, 2 is C-A: the lead that a pair leaves out. */
const leftOut = [2, 0, 1] as const

/**
 * Tell common, run and start of a permanent-split-capacitor motor by three readings: the largest is run to start and
 * is the sum of the two others; the lead it leaves out is common; the smaller of the two others is the run winding.
 * @param pairs A-B, B-C, C-A, in ohms
 * @param open which of them showed over range
 * @param past of this motor when whole: tells an open protector from an open winding
 * @param fit how far a reading may miss, as a fraction
 * @throws RangeError when a reading is negative or not finite
 * @source circuit theory: two windings in series between run and start
 */
export function pscLeads(
  pairs: ThreePhase,
  open: readonly [boolean, boolean, boolean],
  past: PscPast | null = null,
  fit = 0.1,
): PscReading {
  for (const p of pairs) requireMagnitude('pairs', p)
  const opens = open.filter(Boolean).length
  if (opens === 3) return { kind: 'all open' }
  if (opens === 2) {
    const whole = open.indexOf(false)
    const ohms = pairs[whole] ?? 0
    const like = (known: number) => Math.abs(ohms - known) <= fit * known
    const says =
      past === null
        ? 'either'
        : like(past.run + past.start)
          ? 'protector'
          : like(past.run) || like(past.start)
            ? 'winding'
            : 'either'
    return { kind: 'one lead open', lead: leftOut[whole] ?? 0, ohms, says }
  }
  // One open pair of three cannot be: the other two close it. A probe missed.
  if (opens === 1) return { kind: 'do not add up', misfit: 1 }
  const top = pairs.indexOf(Math.max(...pairs))
  const rest = [0, 1, 2].filter((i) => i !== top) as [number, number]
  const [x, y] = [pairs[rest[0]] ?? 0, pairs[rest[1]] ?? 0]
  const sum = x + y
  const misfit = sum === 0 ? 1 : Math.abs((pairs[top] ?? 0) - sum) / sum
  if (misfit > fit) return { kind: 'do not add up', misfit }
  const common = leftOut[top] ?? 0
  const runPair = x <= y ? rest[0] : rest[1]
  const startPair = x <= y ? rest[1] : rest[0]
  // Each of the two smaller pairs leaves out the lead of the other winding.
  return {
    kind: 'leads found',
    common,
    run: leftOut[startPair] ?? 0,
    start: leftOut[runPair] ?? 0,
    runOhms: Math.min(x, y),
    startOhms: Math.max(x, y),
    misfit,
  }
}
