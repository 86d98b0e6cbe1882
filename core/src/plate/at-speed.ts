import type { Plate } from './plate.ts'

/** The modes of a visit in which a motor of several speeds does not run at its full one. */
export type SlowMode = 'low speed' | 'medium speed'

export const isSlow = (mode: string | null): mode is SlowMode => mode === 'low speed' || mode === 'medium speed'

/** What a nameplate says for the speed a motor was read at. */
export interface PlateAtSpeed {
  readonly plate: Plate
  /** Whether its amps are printed for this speed, not only for full speed. */
  readonly own: boolean
}

/**
 * The nameplate at the speed of a visit. A two-speed motor has amps and rpm printed for each speed, and its low-speed
 * winding burns long before the high-speed amps are reached. Service-factor amps are printed for full speed only.
 * Without low-speed amps the full-speed figures stand, and say nothing of a pass; speed in rpm is then not known.
 * @source common practice: each speed of a two-speed motor has its own amps and its own overload relay
 */
export function plateAtSpeed(plate: Plate, mode: string | null): PlateAtSpeed {
  if (!isSlow(mode)) return { plate, own: true }
  const { amps, sfa: _sfa, rpm: _rpm, lowAmps, lowRpm, ...rest } = plate
  const own = mode === 'low speed' && lowAmps !== undefined
  const printed = own ? lowAmps : amps
  const turns = mode === 'low speed' ? lowRpm : undefined
  return {
    plate: {
      ...rest,
      ...(printed === undefined ? {} : { amps: printed }),
      ...(turns === undefined ? {} : { rpm: turns }),
      ...(lowAmps === undefined ? {} : { lowAmps }),
      ...(lowRpm === undefined ? {} : { lowRpm }),
    },
    own,
  }
}
