import { branchProtection, conductorAmpacity, fullLoadCurrent, overloadSetting } from '../electrical/index.ts'
import { allowedCurrent } from '../plate/index.ts'
import type { Swap } from './swap.ts'

/** What is set and checked for a new nameplate, amperes. */
export interface Settings {
  /** Overload relay: where it is set, and its most; null on a drive, or where the nameplate has no amps for this supply. */
  readonly overload: { readonly set: number; readonly most: number } | null
  /** By the code's table for its power, not by its nameplate; null where the table has no row for it. */
  readonly circuit: { readonly wire: number; readonly fuse: number | null; readonly breaker: number | null } | null
}

/**
 * Overload, wire and fuse for the motor that comes in.
 * A listed unit goes by the maximum fuse on its own nameplate instead.
 * @source NEC 430.32(A)(1), 430.22, 430.52
 */
export function settingsFor({ now, machine }: Swap): Settings {
  const limit = allowedCurrent(now, null, machine.serviceVolts)
  const plate = limit?.motorAmps ?? limit?.amps ?? null
  const hp = now.power === undefined ? null : now.powerUnit === 'kW' ? now.power / 0.7457 : now.power
  const row = hp === null || !(hp > 0) ? null : fullLoadCurrent(machine.phases, hp, machine.serviceVolts)
  return {
    overload:
      plate === null || !(plate > 0) || machine.hasVfd
        ? null
        : { set: plate, most: overloadSetting(plate, Math.max(1, now.sf ?? 1)).setting },
    circuit: row
      ? {
          wire: conductorAmpacity(row.amps),
          fuse: branchProtection('time-delay fuse', row.amps).rating,
          breaker: branchProtection('breaker', row.amps).rating,
        }
      : null,
  }
}
