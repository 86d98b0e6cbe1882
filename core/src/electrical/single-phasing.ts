import { requirePositive } from '../quantity/index.ts'

/** Currents of a motor that lost a line while it ran, the same shaft load held. Amperes. */
export interface SinglePhasing {
  readonly lines: number
  readonly wyePhases: number
  /** The delta phase across the live pair, and the two others. */
  readonly deltaPhase: number
  readonly deltaOthers: number
  readonly deltaNormal: number
  /** A line lost ahead of a delta-wye transformer: 2, 1, 1. */
  readonly openPrimary: readonly [number, number, number]
}

/**
 * What single-phasing puts on lines and windings. Power factor and efficiency are held, so the true currents are higher.
 * @param balancedAmps of the healthy motor at that load, amperes
 * @throws RangeError when balancedAmps is not above zero
 * @source constant shaft power; static split of currents
 */
export function singlePhasing(balancedAmps: number): SinglePhasing {
  requirePositive('balancedAmps', balancedAmps)
  const lines = Math.sqrt(3) * balancedAmps
  return {
    lines,
    wyePhases: lines,
    deltaPhase: (2 / 3) * lines,
    deltaOthers: lines / 3,
    deltaNormal: balancedAmps / Math.sqrt(3),
    openPrimary: [2 * balancedAmps, balancedAmps, balancedAmps],
  }
}
