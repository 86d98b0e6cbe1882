import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** An adjustable motor sheave: pitch diameters in one unit of length. */
export interface AdjustableSheave {
  /** Pitch diameter with the flange closed. */
  readonly closed: number
  /** Pitch diameter lost with each turn open. */
  readonly perTurn: number
  /** Greatest turns open. */
  readonly most: number
  /** Least turns open: it is never closed to the visit. */
  readonly least: number
  /** The screw sits on a flat every so many turns. */
  readonly step: 0.5 | 1
}

/** Turns within what it may be set to, and on a flat? */
export function settable(s: AdjustableSheave, turns: number): boolean {
  const steps = turns / s.step
  return turns >= s.least - 1e-9 && turns <= s.most + 1e-9 && Math.abs(steps - Math.round(steps)) < 1e-6
}

/**
 * Pitch diameter at so many turns open.
 * @throws RangeError when the turns lie outside of closed to greatest, or nothing of the sheave is left
 * @source linear with the screw; the maker's table governs
 */
export function pitchAtTurns(s: AdjustableSheave, turns: number): number {
  requirePositive('closed', s.closed)
  requireMagnitude('perTurn', s.perTurn)
  if (!(turns >= 0 && turns <= s.most)) throw new RangeError(`turns must lie between 0 and ${s.most}`)
  const pitch = s.closed - s.perTurn * turns
  if (pitch <= 0) throw new RangeError('turns open leave no diameter')
  return pitch
}

/** Every setting the sheave has, least open first. */
export function settings(s: AdjustableSheave): number[] {
  const first = Math.ceil(s.least / s.step - 1e-9)
  const last = Math.floor(s.most / s.step + 1e-9)
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => (first + i) * s.step)
}
