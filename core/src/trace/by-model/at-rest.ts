import { atRest, type MotorAtRest, type Random } from '../../machine/index.ts'
import { terminalPairs, terminalPositions, type QuantityCode, type Reading } from '../../quantity/index.ts'
import type { Sound } from './machines.ts'

const none = [Infinity, Infinity, Infinity] as const
type Three = MotorAtRest['coils']
/** The same for two leads and another for one of them, drawn. */
function oneOf(random: Random, own: number, rest: number): Three {
  const at = random.pick([0, 1, 2])
  return [at === 0 ? own : rest, at === 1 ? own : rest, at === 2 ? own : rest]
}
/** Even on a scale of powers of ten: faults of insulation have all sizes. */
const sized = (random: Random, least: number, most: number): number =>
  10 ** random.between(Math.log10(least), Math.log10(most))

/**
 * A sound motor with its power off. @source common practice: two leads read 2 to 5 % of rated volts over amps, windings of one make
 * are even within 1 %, and dry insulation reads tens to thousands of megohms
 */
export function soundAtRest({ plateVolts, plateAmps }: Sound, random: Random): MotorAtRest {
  const pair = (plateVolts / plateAmps) * random.between(0.02, 0.05)
  const joined = random.pick(['wye', 'delta'] as const)
  const coil = joined === 'wye' ? pair / 2 : pair * 1.5
  const near = () => coil * (1 + 0.003 * random.normal())
  const insulation = sized(random, 20e6, 5e9)
  return {
    joined,
    coils: [near(), near(), near()],
    leads: [0, 0, 0],
    toFrame: [insulation, insulation, insulation],
    cable: { wires: [0.05, 0.05, 0.05], toFrame: none },
  }
}

type Make = (sound: MotorAtRest, random: Random) => MotorAtRest

const cable = (m: MotorAtRest, over: Partial<MotorAtRest['cable']>): MotorAtRest => ({
  ...m,
  cable: { ...m.cable, ...over },
})

/** What each cause does to a motor at rest and its cable: its severity is drawn. */
export const restFaults: Readonly<Record<string, Make>> = {
  'wind-open': (m, random) => ({ ...m, leads: oneOf(random, Infinity, 0) }),
  turns: (m, random) => ({ ...m, coils: oneOf(random, m.coils[0] * random.between(0.3, 0.93), m.coils[0]) }),
  conn: (m, random) =>
    // Joined for the other voltage it is even; with one pair of coils left out it is not.
    random.next() < 0.5 ? m : { ...m, coils: oneOf(random, 2 * m.coils[0], m.coils[0]) },
  // It lies where the three windings meet.
  'prot-hot': (m) => ({ ...m, leads: [Infinity, Infinity, Infinity] }),
  'gnd-dead': (m, random) => ({ ...m, toFrame: oneOf(random, sized(random, 1, 100_000), m.toFrame[0]) }),
  'gnd-part': (m, random) => ({ ...m, toFrame: oneOf(random, sized(random, 10_000, 2e6), m.toFrame[0]) }),
  wet: (m, random) => {
    const damp = sized(random, 1e6, 14e6)
    return { ...m, toFrame: [damp, damp, damp] }
  },
  'cable-gnd': (m, random) => cable(m, { toFrame: oneOf(random, sized(random, 1, 1e6), Infinity) }),
  // What is wrong with a drive leaves motor and cable as they are.
  'vfd-in': (m) => m,
  'vfd-out': (m) => m,
  'vfd-set': (m) => m,
  'vfd-hot': (m) => m,
  splice: (m, random) => cable(m, { wires: oneOf(random, Infinity, 0.05) }),
}

/** Ohmmeter and insulation tester: error of each, and what they call over range. @source common practice */
const meters = { ohms: 0.004, megohms: 0.05, overRange: 20e6, most: 2000 } as const

/** What is read at a place, by itself: pairs and to the frame; insulation at the motor only. */
export function restReadings(motor: MotorAtRest, place: 'motor' | 'far end', random: Random): Reading[] {
  const { pairs, toFrame } = atRest(motor, place)
  const ohms = (quantity: QuantityCode, positions: readonly string[], values: readonly number[]): Reading[] =>
    positions.map((position, i) => {
      const value = (values[i] ?? 0) * Math.max(0, 1 + meters.ohms * random.normal())
      return value > meters.overRange
        ? { quantity, position, value: meters.overRange, how: 'over-range' }
        : { quantity, position, value }
    })
  const megohms = toFrame.map((r): number => Math.min(meters.most, r / 1e6))
  return [
    ...ohms('winding_ohms', terminalPairs, pairs),
    ...ohms('ground_ohms', terminalPositions, toFrame),
    ...(place === 'motor'
      ? terminalPositions.map((position, i): Reading => ({
          quantity: 'megohms',
          position,
          value: (megohms[i] ?? 0) * Math.max(0, 1 + meters.megohms * random.normal()),
        }))
      : []),
  ]
}

/** A loose joint does not stand still under a meter: what it shows at rest is judged, not computed. */
export const notAtRest: readonly string[] = ['lug']
