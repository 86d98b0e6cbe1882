/** Motor leads by their number, T1 to T13. */
export type Lead = `T${number}`

/** How the leads of a motor are joined: which go to each line, which are joined among themselves, which stay apart. */
export interface Connection {
  readonly title: string
  readonly lines: readonly [readonly Lead[], readonly Lead[], readonly Lead[]]
  /** Leads joined to one another and to nothing else, each such joint insulated by itself. */
  readonly joints: readonly (readonly Lead[])[]
  /** Each of them insulated by itself: they carry volts while it runs. */
  readonly apart: readonly Lead[]
}

/** A motor as far as its leads decide how it is connected. */
export interface LeadsOf {
  readonly leads: 3 | 6 | 9 | 12
  /** How the windings are joined inside; only the nameplate or the motor's own diagram tells. */
  readonly winding: 'wye' | 'delta' | 'two speeds, one winding' | 'two speeds, two windings' | null
}

/** What is wanted: the lower or the higher of two voltages, or the slow or the fast of two speeds. */
export type Wanted = 'low volts' | 'high volts' | 'low speed' | 'high speed' | 'only'

const line = (a: readonly Lead[], b: readonly Lead[], c: readonly Lead[]) => [a, b, c] as const

const single: Connection = {
  title: 'Three leads, one voltage',
  lines: line(['T1'], ['T2'], ['T3']),
  joints: [],
  apart: [],
}

const nine = (winding: 'wye' | 'delta', wanted: 'low volts' | 'high volts'): Connection => {
  const high = [
    ['T4', 'T7'],
    ['T5', 'T8'],
    ['T6', 'T9'],
  ] as const
  if (wanted === 'high volts')
    return {
      title: `Nine leads, ${winding}, high volts: windings in series`,
      lines: line(['T1'], ['T2'], ['T3']),
      joints: high,
      apart: [],
    }
  return winding === 'wye'
    ? {
        title: 'Nine leads, wye, low volts: windings side by side',
        lines: line(['T1', 'T7'], ['T2', 'T8'], ['T3', 'T9']),
        joints: [['T4', 'T5', 'T6']],
        apart: [],
      }
    : {
        title: 'Nine leads, delta, low volts: windings side by side',
        lines: line(['T1', 'T6', 'T7'], ['T2', 'T4', 'T8'], ['T3', 'T5', 'T9']),
        joints: [],
        apart: [],
      }
}

const six = (wanted: 'low volts' | 'high volts'): Connection =>
  wanted === 'low volts'
    ? {
        title: 'Six leads, low volts: delta',
        lines: line(['T1', 'T6'], ['T2', 'T4'], ['T3', 'T5']),
        joints: [],
        apart: [],
      }
    : {
        title: 'Six leads, high volts: wye',
        lines: line(['T1'], ['T2'], ['T3']),
        joints: [['T4', 'T5', 'T6']],
        apart: [],
      }

const twelve = (winding: 'wye' | 'delta', wanted: 'low volts' | 'high volts'): Connection => {
  const series = [
    ['T4', 'T7'],
    ['T5', 'T8'],
    ['T6', 'T9'],
  ] as const
  if (winding === 'wye')
    return wanted === 'high volts'
      ? {
          title: 'Twelve leads, wye, high volts: windings in series',
          lines: line(['T1'], ['T2'], ['T3']),
          joints: [...series, ['T10', 'T11', 'T12']],
          apart: [],
        }
      : {
          title: 'Twelve leads, wye, low volts: windings side by side',
          lines: line(['T1', 'T7'], ['T2', 'T8'], ['T3', 'T9']),
          joints: [
            ['T4', 'T5', 'T6'],
            ['T10', 'T11', 'T12'],
          ],
          apart: [],
        }
  return wanted === 'high volts'
    ? {
        title: 'Twelve leads, delta, high volts: windings in series',
        lines: line(['T1', 'T12'], ['T2', 'T10'], ['T3', 'T11']),
        joints: series,
        apart: [],
      }
    : {
        title: 'Twelve leads, delta, low volts: windings side by side',
        lines: line(['T1', 'T6', 'T7', 'T12'], ['T2', 'T4', 'T8', 'T10'], ['T3', 'T5', 'T9', 'T11']),
        joints: [],
        apart: [],
      }
}

/** Of fans: variable torque, the low speed in series wye, the high speed in parallel wye. */
const oneWinding = (wanted: 'low speed' | 'high speed'): Connection =>
  wanted === 'low speed'
    ? {
        title: 'Two speeds, one winding, low speed',
        lines: line(['T1'], ['T2'], ['T3']),
        joints: [],
        apart: ['T4', 'T5', 'T6'],
      }
    : {
        title: 'Two speeds, one winding, high speed',
        lines: line(['T6'], ['T4'], ['T5']),
        joints: [['T1', 'T2', 'T3']],
        apart: [],
      }

const twoWindings = (wanted: 'low speed' | 'high speed'): Connection => {
  const [low, high] = [
    ['T1', 'T2', 'T3'],
    ['T11', 'T12', 'T13'],
  ] as const
  const [on, off] = wanted === 'low speed' ? [low, high] : [high, low]
  return {
    title: `Two speeds, two windings, ${wanted}`,
    lines: line([on[0]], [on[1]], [on[2]]),
    joints: [],
    apart: off,
  }
}

/**
 * How the leads of a three-phase motor are connected.
 * @returns a sentence where the motor's nameplate does not say enough, or it has no such connection
 * @source NEMA MG 1 part 2, terminal markings (from memory); the motor's own diagram governs
 */
export function connectionOf({ leads, winding }: LeadsOf, wanted: Wanted): Connection | string {
  const volts = wanted === 'low volts' || wanted === 'high volts'
  if (winding === 'two speeds, one winding' || winding === 'two speeds, two windings') {
    if (leads !== 6) return 'A two-speed motor of this kind has six leads. Go by the diagram on the motor.'
    if (wanted !== 'low speed' && wanted !== 'high speed') return 'Choose the low or the high speed.'
    return winding === 'two speeds, one winding' ? oneWinding(wanted) : twoWindings(wanted)
  }
  if (leads === 3)
    return wanted === 'only' ? single : 'A motor with three leads has one connection: it cannot be changed.'
  if (!volts) return 'Choose the low or the high volts.'
  if (leads === 6) return six(wanted)
  if (winding === null)
    return `With ${leads === 9 ? 'nine' : 'twelve'} leads wye and delta are connected differently. Read the diagram on the nameplate, or test: ohms tell which leads belong together.`
  return leads === 9 ? nine(winding, wanted) : twelve(winding, wanted)
}
