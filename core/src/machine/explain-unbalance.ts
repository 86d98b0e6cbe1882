import { currentUnbalance } from '../electrical/index.ts'
import { mean, type ThreePhase } from '../quantity/index.ts'
import type { MotorCircuit } from './circuit.ts'
import { loadByCircuit, operate } from './operate.ts'

/** How much of an unevenness of the legs the supply makes, by the motor's own circuit. */
export interface ExplainedUnbalance {
  readonly load: number
  /** Amps of L1, L2, L3 that a sound motor would draw on these volts at this load. */
  readonly expected: ThreePhase
  readonly expectedUnbalance: number
  readonly measuredUnbalance: number
  /** Unbalance that is left when what the supply makes is taken off, over the mean. */
  readonly left: number
}

/**
 * Compare the legs with what a sound motor would draw on the same volts. The order of rotation is not known from
 * magnitudes, so the nearer of both is taken.
 * @returns null when the load is not known from the amps
 * @throws RangeError when the volts close no triangle
 */
export function explainUnbalance(
  c: MotorCircuit,
  lineVolts: ThreePhase,
  lineAmps: ThreePhase,
  hz: number = c.hz,
): ExplainedUnbalance | null {
  const average = mean(lineAmps)
  const load = loadByCircuit(c, average, mean(lineVolts), hz)
  if (load === null || average <= 0) return null
  const [ab, bc, ca] = lineVolts
  const forward = operate(c, { kind: 'three lines', lineVolts }, load, hz).lineAmps
  const swapped = operate(c, { kind: 'three lines', lineVolts: [ca, bc, ab] }, load, hz).lineAmps
  const backward: ThreePhase = [swapped[0], swapped[2], swapped[1]]
  // The load found from the mean is near enough; the pattern is what is compared.
  const toMean = (t: ThreePhase): ThreePhase => {
    const k = average / mean(t)
    return [t[0] * k, t[1] * k, t[2] * k]
  }
  const miss = (t: ThreePhase) => Math.max(...t.map((a, i) => Math.abs(a - (lineAmps[i] ?? 0)))) / average
  const [f, b] = [toMean(forward), toMean(backward)]
  const expected = miss(f) <= miss(b) ? f : b
  return {
    load,
    expected,
    expectedUnbalance: currentUnbalance(expected),
    measuredUnbalance: currentUnbalance(lineAmps),
    left: miss(expected),
  }
}
