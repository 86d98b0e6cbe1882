import type { ThreePhase } from '../quantity/index.ts'
import type { Rig } from './rig.ts'

/** What can be wrong with a simulated unit: the classic patterns of the trade. */
export const unitPatterns = [
  { id: 'healthy', words: 'Healthy' },
  { id: 'as-found', words: 'As recorded, with changes since' },
  { id: 'lost-leg', words: 'A leg lost ahead of the starter' },
  { id: 'winding-open', words: 'Winding open, nothing to ground' },
  { id: 'winding-to-ground', words: 'Winding to ground, breaker tripped' },
  { id: 'leg-and-ground', words: 'Runs on one leg and the ground wire' },
  { id: 'transformer-high', words: 'Transformer a quarter high on two pairs' },
  { id: 'half-disconnect', words: 'Disconnect half pulled' },
  { id: 'loose-lug', words: 'A lug that makes and breaks' },
] as const
export type UnitPattern = (typeof unitPatterns)[number]['id']

/** A little uneven, as supplies are. */
const usualSupply = (volts: number): ThreePhase => [volts * 0.998, volts * 1.001, volts * 0.996]

/** Ohms of a sound pole of a contactor. @source common practice: tens of millivolts at some amperes */
const soundPole = 0.004

/** What a winding that broke through still has to the frame, by terminal T1, T2, T3; null where it is sound. */
export function leaksOf(pattern: UnitPattern): readonly [number | null, number | null, number | null] {
  if (pattern === 'winding-to-ground') return [null, 11.5, null]
  if (pattern === 'leg-and-ground') return [117, null, null]
  return [null, null, null]
}

/** A pattern as a rig: what is solved, and what is read ahead of its stage. */
export interface PatternRig {
  /** One; for a lug that breaks, the lug made and the lug broken. */
  readonly rigs: readonly [Rig, ...Rig[]]
  /** Line volts where the supply is measured: a lost line shows half of the live pair. */
  readonly ahead: ThreePhase
}

/**
 * A sound assembly made into one of the patterns: what feeds it, what stands between, what has gone wrong in it.
 * @param rig as it would run @param volts nominal of its supply @param amps of its plate
 */
export function rigOfPattern(rig: Rig, volts: number, amps: number, pattern: UnitPattern): PatternRig {
  const usual = usualSupply(volts)
  const poles = (third: number): Rig => ({
    ...rig,
    supply: { kind: 'three lines', lineVolts: usual },
    stage: { kind: 'contactor', ohms: [soundPole, soundPole, third] },
  })
  const sound = poles(soundPole)
  switch (pattern) {
    case 'as-found':
      return { rigs: [rig], ahead: rig.supply.kind === 'three lines' ? rig.supply.lineVolts : usual }
    case 'lost-leg':
      return {
        rigs: [{ ...rig, supply: { kind: 'line open', open: 1, volts }, from: 'standstill' }],
        ahead: [volts / 2, volts / 2, volts],
      }
    case 'winding-open':
      return { rigs: [{ ...rig, supply: { kind: 'line open', open: 0, volts }, from: 'standstill' }], ahead: usual }
    case 'transformer-high': {
      const ahead: ThreePhase = [volts * 0.94, volts * 0.94, volts * 0.94]
      const stage = { kind: 'transformer', ratio: [1, 1.24, 1.24] } as const
      return { rigs: [{ ...rig, supply: { kind: 'three lines', lineVolts: ahead }, stage }], ahead }
    }
    case 'loose-lug':
      // Broken, it drops a tenth of a phase's volts at the amps of the plate.
      return { rigs: [sound, poles((0.1 * volts) / Math.sqrt(3) / amps)], ahead: usual }
    case 'healthy':
    case 'half-disconnect':
    case 'winding-to-ground':
    case 'leg-and-ground': {
      const leakage = leaksOf(pattern).find((ohms) => ohms !== null)
      return { rigs: [leakage == null ? sound : { ...sound, faults: { ...rig.faults, leakage } }], ahead: usual }
    }
  }
}
