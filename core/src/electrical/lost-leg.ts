import { requireMagnitude, type ThreePhase } from '../quantity/index.ts'

/** What three currents or voltages look like when a leg is gone. `leg` is 0, 1, 2 for L1, L2, L3. */
export type LegPattern =
  | { readonly kind: 'open leg'; readonly leg: number }
  | { readonly kind: 'open primary'; readonly leg: number }
  /** The only one that carries current. */
  | { readonly kind: 'one leg'; readonly leg: number }
  | { readonly kind: 'no current' }

const rest = (three: ThreePhase, leg: number) => three.filter((_, i) => i !== leg) as [number, number]

/**
 * Tell a lost leg by its currents: one near zero while the two others work (a line open beside the motor), one at twice the
 * other two (a line open on the far side of a delta-wye transformer), or one that carries alone: what goes in there comes back
 * through no other leg.
 * @param lineAmps currents of L1, L2, L3, in amperes
 * @param share a leg counts as lost below this share of the mean of the other two, or of the one that carries
 * @returns the pattern, or null when there is none
 * @throws RangeError when a current is negative or not finite
 * @source symmetrical components; ratio 2 : 1 : 1 for an open primary
 */
export function lostLegByAmps(lineAmps: ThreePhase, share: number): LegPattern | null {
  for (const a of lineAmps) requireMagnitude('lineAmps', a)
  if (lineAmps.every((a) => a === 0)) return { kind: 'no current' }
  for (let leg = 0; leg < 3; leg++) {
    const [a, b] = rest(lineAmps, leg)
    const own = lineAmps[leg] ?? 0
    if (Math.max(a, b) <= share * own) return { kind: 'one leg', leg }
    if (own <= share * ((a + b) / 2) && Math.min(a, b) > share * Math.max(a, b)) return { kind: 'open leg', leg }
  }
  for (let leg = 0; leg < 3; leg++) {
    const [a, b] = rest(lineAmps, leg)
    const own = lineAmps[leg] ?? 0
    const even = Math.abs(a - b) < 0.15 * Math.max(a, b)
    if (even && own > 1.75 * ((a + b) / 2) && own < 2.3 * ((a + b) / 2)) return { kind: 'open primary', leg }
  }
  return null
}

/**
 * Tell a lost line by the volts: two readings near 1/√3 of the third (a leg at neutral), or near half of it (a dead
 * leg that floats between the others), or near zero.
 * @returns index of the line that is lost (0 for L1), or null
 * @throws RangeError when a voltage is negative or not finite
 * @source three-phase geometry
 */
export function lostLineByVolts(lineVolts: ThreePhase): number | null {
  for (const v of lineVolts) requireMagnitude('lineVolts', v)
  const top = Math.max(...lineVolts)
  if (top === 0) return null
  // The pair that does not touch line k is pair (k + 1): L2-L3 for L1, L3-L1 for L2, L1-L2 for L3.
  for (let line = 0; line < 3; line++) {
    const far = (line + 1) % 3
    const near = rest(lineVolts, far)
    if (lineVolts[far] !== top) continue
    // Two readings that do not reach the third are a misread voltage, unless both are next to nothing.
    const closes = near[0] + near[1] >= 0.995 * top || near.every((v) => v < 0.2 * top)
    if (closes && near.every((v) => v < 0.64 * top)) return line
  }
  return null
}

/**
 * Tell two lines that carry one and the same phase: next to nothing between them, and both full against the third. One of them is
 * lost, and a load between the two feeds it from the other; three volts do not say which.
 * @returns index of the pair (0 for L1-L2, 1 for L2-L3, 2 for L3-L1), or null
 * @throws RangeError when a voltage is negative or not finite
 * @source three-phase geometry; shares common practice
 */
export function backFedPair(lineVolts: ThreePhase): number | null {
  for (const v of lineVolts) requireMagnitude('lineVolts', v)
  const top = Math.max(...lineVolts)
  if (top === 0) return null
  const pair = [0, 1, 2].find((i) => (lineVolts[i] ?? 0) < 0.2 * top && Math.min(...rest(lineVolts, i)) > 0.75 * top)
  return pair ?? null
}

/**
 * Of two or three pairs that were read: a pair with next to nothing on it beside one that has its full volts. A line is lost, whatever
 * the pair carries that was not read.
 * @param pairs L1-L2, L2-L3, L3-L1 in volts; undefined where one was not read
 * @param full what a pair has when nothing is wrong, volts
 * @returns index of the pair, or null
 */
export function deadPair(pairs: readonly (number | undefined)[], full: number): number | null {
  if (!pairs.some((v) => v !== undefined && v > 0.75 * full)) return null
  const at = pairs.findIndex((v) => v !== undefined && v < 0.2 * full)
  return at < 0 ? null : at
}
