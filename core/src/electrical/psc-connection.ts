/** Speeds of a single-phase motor with taps, fastest first, by how many it has. */
export const speedTaps = {
  1: ['Only speed'],
  2: ['High', 'Low'],
  3: ['High', 'Medium', 'Low'],
  4: ['High', 'Medium-high', 'Medium-low', 'Low'],
} as const
export type TapCount = keyof typeof speedTaps

/** A permanent split capacitor motor, as far as its leads decide how it is connected. */
export interface PscLeads {
  readonly taps: TapCount
  /** Leads for the capacitor: two of its own, or the start winding's alone. */
  readonly capacitorLeads: 1 | 2
  /** As its nameplate has it, µF; null where it does not say. */
  readonly microfarads: number | null
  /** Volts the nameplate gives the capacitor. */
  readonly capacitorVolts: number | null
}

/** What goes where. */
export interface PscConnection {
  readonly title: string
  readonly rows: readonly {
    readonly to: 'L1' | 'L2 or N' | 'Capacitor' | 'Capped'
    readonly leads: readonly string[]
  }[]
  readonly capacitor: string
}

const start = 'Start'
const back = 'Capacitor return'

/**
 * The two ends of the main winding: the one that takes the line, and the far one, from whose side the start winding is fed. A motor
 * of one speed has them named as ohms tell them; where there are taps a diagram calls the far end common, which ohms would call run.
 */
const ends = (taps: TapCount, used: string) =>
  taps === 1 ? (['Common', 'Run'] as const) : ([`${used} speed`, 'Common, by its diagram'] as const)

/**
 * How the leads of a permanent split capacitor motor are connected for one of its speeds: the main winding between the lines, the
 * start winding through the capacitor from the far end of the main winding, which motors with two capacitor leads have joined inside.
 * @param tap which of its speeds, 0 the fastest
 * @returns a sentence where the nameplate does not say enough
 * @throws RangeError when there is no such tap
 * @source common practice for fan motors; colors differ, and the motor's own diagram governs
 */
export function pscConnection(m: PscLeads, tap: number): PscConnection | string {
  const taps: readonly string[] = speedTaps[m.taps]
  const used = taps[tap]
  if (used === undefined) throw new RangeError(`tap: a motor of ${m.taps} speeds has no tap ${tap}`)
  if (m.microfarads === null)
    return 'The nameplate does not give the capacitor. Read it on the motor: the wrong one burns the start winding.'
  const [near, far] = ends(m.taps, used)
  return {
    title: `Single-phase, run capacitor, ${m.taps === 1 ? 'one' : used.toLowerCase()} speed`,
    rows: [
      { to: 'L1', leads: [near] },
      { to: 'L2 or N', leads: [far] },
      { to: 'Capacitor', leads: m.capacitorLeads === 2 ? [start, back] : [start, far] },
      ...taps.filter((t) => t !== used).map((t) => ({ to: 'Capped' as const, leads: [`${t} speed`] })),
    ],
    capacitor: `${m.microfarads} µF${m.capacitorVolts === null ? '' : `, ${m.capacitorVolts} V or more`}`,
  }
}
