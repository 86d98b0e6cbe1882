import type { Random, Rig } from '../../machine/index.ts'
import type { Sound } from './machines.ts'

/** A machine with a fault, and the volts ahead of it. */
export interface Faulted {
  readonly rig: Rig
  readonly line: readonly [number, number, number]
  /** Volts across each pole while it runs, where the fault is there. */
  readonly pole?: number
}

type Make = (sound: Sound, random: Random) => Faulted

/** Ohms of a sound pole. @source common practice: tens of millivolts at some amperes */
const soundPole = 0.004

const even = ({ volts }: Sound): Faulted['line'] => [volts, volts, volts]
const with_ =
  (faults: (random: Random, sound: Sound) => Rig['faults']): Make =>
  (s, random) => ({ rig: { ...s.rig, faults: faults(random, s) ?? {} }, line: even(s) })

const onVolts = (s: Sound, line: Faulted['line']): Faulted => ({
  rig: { ...s.rig, supply: { kind: 'three lines', lineVolts: line } },
  line,
})

/** A line open: it was running when it was lost, or stands and hums. */
const lineOpen = (s: Sound, random: Random, line: Faulted['line']): Faulted => ({
  rig: {
    ...s.rig,
    supply: { kind: 'line open', open: 1, volts: s.volts },
    ...(random.next() < 0.5 ? { from: 'standstill' as const } : {}),
  },
  line,
})

const pole = (s: Sound, ohms: number): Faulted => ({
  rig: { ...s.rig, stage: { kind: 'contactor', ohms: [soundPole, ohms, soundPole] } },
  line: even(s),
})

const sheave =
  (factor: (random: Random) => number): Make =>
  (s, random) => ({
    rig: { ...s.rig, belt: s.rig.belt && { ...s.rig.belt, driver: s.rig.belt.driver * factor(random) } },
    line: even(s),
  })

/** What each cause does to the machine model: its severity is drawn. Seed of all that is computed from them: see `table.ts`. */
export const faults: Readonly<Record<string, Make>> = {
  'leg-lost': (s, random) => lineOpen(s, random, [s.volts / 2, s.volts / 2, s.volts]),
  'prot-weak': (s, random) => lineOpen(s, random, even(s)),
  'wind-open': (s, random) => lineOpen(s, random, even(s)),
  splice: (s, random) => lineOpen(s, random, even(s)),
  'pole-open': (s, random) => ({ ...lineOpen(s, random, even(s)), pole: s.volts / 2 }),
  'volt-low': (s, random) => {
    const v = s.volts * random.between(0.8, 0.89)
    return onVolts(s, [v, v, v])
  },
  'volt-unbal': (s, random) => {
    const off = random.between(0.025, 0.05)
    return onVolts(s, [s.volts * (1 - off), s.volts * (1 + off / 2), s.volts * (1 + off / 2)])
  },
  // A phase's volts times some per cent are lost in it at the amps of the plate.
  lug: (s, random) => pole(s, (random.between(0.01, 0.06) * s.volts) / Math.sqrt(3) / s.plateAmps),
  mbrg: with_((random, s) => ({ drag: s.rig.circuit.watts * random.between(0, 0.06) })),
  fbrg: with_((random, s) => ({ drag: s.rig.circuit.watts * random.between(0, 0.1) })),
  'belt-off': with_(() => ({ beltOff: true })),
  'belt-slip': (s, random) => ({
    rig: {
      ...s.rig,
      belt: s.rig.belt && { ...s.rig.belt, carries: s.rig.circuit.watts * random.between(0.2, 0.75) },
    },
    line: even(s),
  }),
  fast: sheave((random) => random.between(1.05, 1.16)),
  slow: sheave((random) => random.between(0.8, 0.94)),
  caked: with_((random) => ({ wheel: random.between(0.75, 0.93) })),
  'wheel-back': with_(() => ({ backward: true })),
  'rot-rev': with_(() => ({ swapped: true })),
  'mbrg-lock': with_(() => ({ seized: true })),
  filter: with_((random) => ({ restriction: random.between(1.6, 4) })),
  blocked: with_((random) => ({ restriction: random.between(1.4, 3.5) })),
  damper: with_((random) => ({ restriction: random.between(1.5, 6) })),
  ice: with_((random) => ({ restriction: random.between(1.4, 4) })),
  'low-res': with_((random) => ({ restriction: random.between(0.25, 0.7) })),
}
