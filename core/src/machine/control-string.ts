import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** Where a control string can be open, in the order in which the call goes through it. */
export const controlPlaces = ['fuse', 'call', 'safety', 'limit', 'monitor', 'overload', 'relay'] as const
export type ControlPlace = (typeof controlPlaces)[number]

/** One contact of a control string, and the wire from it to the next. */
export interface ControlPart {
  readonly place: ControlPlace
  /** Of the closed contact; Infinity where it is open. */
  readonly ohms: number
  readonly wireOhms: number
  /** Seconds after the call at which it closes: a delay, a purge, an anti-cycle timer; left out, it does not wait. */
  readonly closesAfter?: number
}

/** A control string: its transformer, contacts in series, and the coil that holds the contactor. */
export interface ControlString {
  /** Volts of the transformer without a load. */
  readonly volts: number
  /** Of its windings, seen from the output. */
  readonly sourceOhms: number
  readonly parts: readonly ControlPart[]
  /** Of the held coil; Infinity where it is open. */
  readonly coilOhms: number
}

/** One point of a control string, and what a meter reads from it to the common side. */
export interface ControlNode {
  /** Ahead of the first part, right behind a part, or at the far end of the wire behind it. */
  readonly at: 'transformer' | { readonly behind: ControlPlace; readonly end: 'contact' | 'wire' }
  readonly volts: number
}

/** What the meter itself lets through, ohms. @source common practice: digital meters have ten megohms */
const meterOhms = 10e6
/** A coil pulls in at so much of its rated volts. @source common practice: NEMA ICS 2 asks for 85 % */
const pullsIn = 0.85

/**
 * Volts from each point of a control string to its common side, read one at a time.
 * @param seconds since the call: what waits is open until then
 * @returns points from the transformer to the coil; `held`: whether the contactor is in
 * @throws RangeError when volts or ohms are out of range
 * @source Ohm's law around one loop; a meter behind an open contact reads what its own ohms let through
 */
export function solveControl(
  s: ControlString,
  seconds = Infinity,
): { readonly nodes: readonly ControlNode[]; readonly amps: number; readonly held: boolean } {
  requireMagnitude('volts', s.volts)
  requireMagnitude('sourceOhms', s.sourceOhms)
  if (s.coilOhms !== Infinity) requirePositive('coilOhms', s.coilOhms)
  const resistances = s.parts.flatMap((p) => {
    requireMagnitude('wireOhms', p.wireOhms === Infinity ? 0 : p.wireOhms)
    requireMagnitude('ohms', p.ohms === Infinity ? 0 : p.ohms)
    return [seconds < (p.closesAfter ?? 0) ? Infinity : p.ohms, p.wireOhms]
  })
  const places: ControlNode['at'][] = [
    'transformer',
    ...s.parts.flatMap((p) => [
      { behind: p.place, end: 'contact' as const },
      { behind: p.place, end: 'wire' as const },
    ]),
  ]
  const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)
  const nodes = places.map((at, i) => {
    const ahead = s.sourceOhms + sum(resistances.slice(0, i))
    const behind = sum(resistances.slice(i)) + s.coilOhms
    const load = behind === Infinity ? meterOhms : (behind * meterOhms) / (behind + meterOhms)
    return { at, volts: ahead === Infinity ? 0 : (s.volts * load) / (ahead + load) }
  })
  const loop = s.sourceOhms + sum(resistances) + s.coilOhms
  const amps = loop === Infinity ? 0 : s.volts / loop
  return { nodes, amps, held: amps * (s.coilOhms === Infinity ? 0 : s.coilOhms) >= pullsIn * s.volts && s.volts > 0 }
}
