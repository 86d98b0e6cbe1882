import type { Plate, UnitPlate } from '../plate/index.ts'

/** How a part takes the place of another. Nothing is taken for granted: what no nameplate says is not known. */
export const grades = ['drops in', 'fits with changes', 'not known', 'does not fit'] as const
export type Grade = (typeof grades)[number]

/** A motor against the one it replaces, and the machine it goes on. */
export interface Swap {
  readonly old: Plate
  readonly now: Plate
  readonly machine: {
    readonly phases: 1 | 3
    readonly serviceVolts: number
    readonly drive: 'belt' | 'direct'
    readonly hasVfd: boolean
    readonly unitPlate: UnitPlate | null
  }
  /** Hertz of the supply. */
  readonly hz: number
  /** Mean amps it ran at last, on the old motor; null where nobody read them. */
  readonly amps: number | null
}

/** One point of the comparison. */
export interface FitPoint {
  readonly point: string
  readonly old: string
  readonly now: string
  readonly grade: Grade
  /** What has to be changed, what is missing, or why it does not fit; empty where it drops in. */
  readonly because: string
  /** Parts that the change takes. */
  readonly kit: readonly string[]
}

/** One point as its file has it; null where it does not concern this machine. */
export type Point = (swap: Swap) => FitPoint | null

export interface Fit {
  readonly grade: Grade
  /** The worst first. */
  readonly points: readonly FitPoint[]
  readonly kit: readonly string[]
}
