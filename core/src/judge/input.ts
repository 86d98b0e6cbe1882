import type { DriveLayout, InstalledPart } from '../installed/index.ts'
import type { Policies } from '../limits/index.ts'
import type { LiveEvidence } from '../live/index.ts'
import type { Plate, UnitPlate } from '../plate/index.ts'
import type { Visit, VisitState, WorkDone } from '../trend/index.ts'
import type { Closing, Reported } from './conditions/condition.ts'
import type { Controls } from './controls.ts'
import type { Traced } from './traced/found.ts'

/** What is known of a machine besides its motor. */
export interface MachineFacts {
  readonly phases: 1 | 3
  /** Nominal volts of the supply: 120, 208, 240, 400, 480, 600. */
  readonly serviceVolts: number
  /** Hertz of the supply where the site says so; left out, by the supply and the plate. */
  readonly serviceHz?: 50 | 60 | null | undefined
  /** The zone in which days are shown, an IANA name; left out: UTC. */
  /** The units its site is shown in; left out: US. */
  readonly units?: 'us' | 'metric' | undefined
  readonly zone?: string | undefined
  readonly hasVfd: boolean
  readonly hasTwin: boolean
  readonly drive: 'belt' | 'direct'
  readonly controls: Controls
  readonly unitPlate: UnitPlate | null
}

export interface InstalledMotor {
  readonly plate: Plate
  readonly connectionVolts: number | null
  readonly installedAt: number
  /** Left out or null: still in place. */
  readonly removedAt?: number | null | undefined
}

/** What a twin fan in the same unit carried when it was last read. */
export interface Twin {
  readonly tag: string
  /** Mean of its legs over its allowed current. */
  readonly load: number
  readonly at: number
  /** Output of its drive then, hertz; null or left out: not known. */
  readonly hz?: number | null | undefined
  /** What it was doing then; left out: not known. */
  readonly state?: VisitState | null | undefined
}

/** A job that was begun and that nobody closed, or that was closed with something temporary left in place. */
export interface UnderWay {
  readonly id: string
  /** When its first step was done, or when it was closed, ms since 1970. */
  readonly at: number
  readonly by: string
  readonly title: string
  readonly closed: boolean
  /** What it has off or shut, in words, and whether that is more than its switch being locked or what stays on purpose. */
  readonly off: readonly string[]
  readonly opened: boolean
  /** How it was left, by whoever interrupted it; null where it is at work. */
  readonly left: string | null
}

/** A combustion test that was made on a job: what it says of each thing that was read. It stands whatever becomes of the job. */
export interface BurnTested {
  readonly id: string
  /** ms since 1970. */
  readonly at: number
  readonly by: string
  readonly parts: readonly {
    readonly about: 'leak' | 'oxygen' | 'co' | 'stack' | 'rise'
    readonly level: 'ok' | 'fix' | 'stop'
    readonly words: string
  }[]
}

/** Leave to run a machine with something wrong with it, as it was last given; gone when its job is closed. */
export interface RunPermit {
  /** Its job. */
  readonly id: string
  /** When it was given, and the instant at which it ends, ms since 1970. */
  readonly at: number
  readonly endsAt: number
  /** The end of the day on which it is read again, ms since 1970. */
  readonly readBy: number
  readonly by: string
  readonly wrong: string
}

/** All that judging a visit needs. `history` holds the other visits of the machine, superseded ones left out. */
export interface JudgeInput {
  readonly machine: MachineFacts
  /** The motor in place at the visit. */
  readonly motor: InstalledMotor | null
  /** Every motor that was in place, for the visits before; left out, the one above was always there. */
  readonly motors?: readonly InstalledMotor[] | undefined
  readonly visit: Visit
  readonly history: readonly Visit[]
  readonly work: readonly WorkDone[]
  readonly policies: Policies
  /** Undefined where nothing is known of any. */
  readonly twins?: readonly Twin[] | undefined
  /** Loads of others of its kind, as shares of what each may draw; left out where nothing is known of any. */
  readonly peers?: readonly number[] | undefined
  /** What is and was installed besides motors, and how the drive stands; left out, nothing of it is known. */
  readonly parts?: readonly InstalledPart[] | undefined
  readonly layout?: DriveLayout | undefined
  /** What persons closed or opened again, with their reasons. */
  readonly closings?: readonly Closing[] | undefined
  /** Findings that persons reported and nobody closed. */
  readonly reported?: readonly Reported[] | undefined
  /** What traces found, and those that nobody has finished; left out, there were none. */
  readonly traced?: Traced | undefined
  /** Jobs that are under way; left out, none is. */
  readonly underWay?: readonly UnderWay[] | undefined
  /** Combustion tests of its jobs, in any order; left out, there were none. */
  readonly burns?: readonly BurnTested[] | undefined
  /** Permits to run it; left out, there are none. */
  readonly permits?: readonly RunPermit[] | undefined
  /** What the building's own instruments showed; left out or null where none is sent. */
  readonly live?: LiveEvidence | null | undefined
}
