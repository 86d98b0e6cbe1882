import type { DriveLayout, FittedPart } from '../fitted/index.ts'
import type { HouseRules } from '../limits/index.ts'
import type { Plate, UnitPlate } from '../plate/index.ts'
import type { Stop, WorkDone } from '../trend/index.ts'
import type { Controls } from './controls.ts'

/** What is known of a machine besides its motor. */
export interface MachineFacts {
  readonly phases: 1 | 3
  /** Nominal volts of the supply: 120, 208, 240, 400, 480, 600. */
  readonly serviceVolts: number
  readonly hasDrive: boolean
  readonly hasSister: boolean
  readonly drive: 'belt' | 'direct'
  readonly controls: Controls
  readonly unitPlate: UnitPlate | null
}

export interface FittedMotor {
  readonly plate: Plate
  readonly connectionVolts: number | null
  readonly fittedAt: number
}

/** What a sister fan in the same unit carried when it was last read. */
export interface Sister {
  readonly tag: string
  /** Mean of its legs over its allowed current. */
  readonly load: number
  readonly at: number
}

/** All that judging a stop needs. `history` holds the other stops of the machine, superseded ones left out. */
export interface JudgeInput {
  readonly machine: MachineFacts
  readonly motor: FittedMotor | null
  readonly stop: Stop
  readonly history: readonly Stop[]
  readonly work: readonly WorkDone[]
  readonly rules: HouseRules
  /** Undefined where nothing is known of any. */
  readonly sisters?: readonly Sister[] | undefined
  /** Loads of others of its kind, as shares of what each may draw; left out where nothing is known of any. */
  readonly peers?: readonly number[] | undefined
  /** What is and was fitted besides motors, and how the drive stands; left out, nothing of it is known. */
  readonly parts?: readonly FittedPart[] | undefined
  readonly layout?: DriveLayout | undefined
}
