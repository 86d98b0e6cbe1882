import type { ThreePhase } from '../quantity/index.ts'
import { add, complex, multiply, polar, scale, type Complex } from './complex.ts'

const a = polar(1, 120)
const a2 = polar(1, 240)

/** Positive- and negative-sequence phasors of three line voltages, per phase (line to neutral), in volts. */
export interface SequenceVolts {
  readonly positive: Complex
  readonly negative: Complex
}

/** Do three line voltages close a triangle, as those of one supply do? */
export const closesTriangle = ([ab, bc, ca]: ThreePhase): boolean =>
  ab > 0 && bc > 0 && ca > 0 && ab + bc > ca && bc + ca > ab && ca + ab > bc

/**
 * Split three line-voltage magnitudes into sequences. The magnitudes close a triangle, Vab along the real axis.
 * @throws RangeError when the three cannot close a triangle
 * @source symmetrical components
 */
export function sequenceVolts(lineVolts: ThreePhase): SequenceVolts {
  const [ab, bc, ca] = lineVolts
  if (!closesTriangle(lineVolts)) throw new RangeError('lineVolts must close a triangle')
  // Vab + Vbc + Vca = 0: place Vab at 0 degrees, find Vca by the law of cosines, phase order a-b-c.
  const cosine = (ab * ab + ca * ca - bc * bc) / (2 * ab * ca)
  const vab = complex(ab)
  const inner = (Math.acos(Math.max(-1, Math.min(1, cosine))) * 180) / Math.PI
  const vca = polar(ca, 180 - inner)
  const vbc = scale(add(vab, vca), -1)
  const v1 = scale(add(add(vab, multiply(a, vbc)), multiply(a2, vca)), 1 / 3)
  const v2 = scale(add(add(vab, multiply(a2, vbc)), multiply(a, vca)), 1 / 3)
  return {
    positive: multiply(v1, polar(1 / Math.sqrt(3), -30)),
    negative: multiply(v2, polar(1 / Math.sqrt(3), 30)),
  }
}

/** Line currents a, b, c from the sequence currents of a three-wire motor. */
export function lineCurrents(positive: Complex, negative: Complex): [Complex, Complex, Complex] {
  return [
    add(positive, negative),
    add(multiply(a2, positive), multiply(a, negative)),
    add(multiply(a, positive), multiply(a2, negative)),
  ]
}
