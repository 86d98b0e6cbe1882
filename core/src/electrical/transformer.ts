import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** What volts in and out of a transformer say about it. */
export interface TransformerReading {
  /** Out over in, as read. */
  readonly ratio: number
  /** How far that is from the rated ratio, as a fraction; 0 is the rated ratio. */
  readonly off: number
  /** Volts in over rated volts in. */
  readonly supply: number
  /** The part that is at fault: itself, what feeds it, or neither. */
  readonly fault: 'none' | 'upstream' | 'transformer'
}

/**
 * Judge a transformer by its ratio. A low or high output at the rated ratio is the fault of what feeds it.
 * @param volts in and out as read, and as rated
 * @param tolerance how far the ratio may stray, as a fraction: load and winding drop
 * @param supplyWindow how far volts in may stray from rated, as a fraction
 * @throws RangeError when rated volts or volts in are not above zero
 * @source turns ratio; tolerance common practice
 */
export function transformerReading(
  volts: { readonly in: number; readonly out: number; readonly ratedIn: number; readonly ratedOut: number },
  tolerance = 0.1,
  supplyWindow = 0.1,
): TransformerReading {
  requirePositive('in', volts.in)
  requireMagnitude('out', volts.out)
  requirePositive('ratedIn', volts.ratedIn)
  requirePositive('ratedOut', volts.ratedOut)
  const ratio = volts.out / volts.in
  const off = ratio / (volts.ratedOut / volts.ratedIn) - 1
  const supply = volts.in / volts.ratedIn
  const fault =
    Math.abs(off) > tolerance + 1e-9 ? 'transformer' : Math.abs(supply - 1) > supplyWindow + 1e-9 ? 'upstream' : 'none'
  return { ratio, off, supply, fault }
}
