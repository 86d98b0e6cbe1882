import type { WheelType } from '../air/index.ts'
import type { DriveStands } from '../installed/index.ts'
import type { MotorCircuit } from '../machine/index.ts'

/** What carries the fan's shaft; null where it is not known. */
export interface DriveShaft {
  /** How far the belts pull outside of the drive-end bearing, how far apart the bearings stand, millimetres. */
  readonly overhang: number
  readonly apart: number
  /** Kilograms on the shaft. */
  readonly mass: number
  /** Dynamic load ratings of the two bearings, newtons. */
  readonly capacity: readonly [driveEnd: number, otherEnd: number]
  readonly type: 'ball' | 'roller'
}

/** A fan assembly as it was found: the point from which a change of its speed is worked out. */
export interface DriveToday {
  /** The units its site is shown in; left out: US. */
  readonly units?: 'us' | 'metric' | undefined
  readonly phases: 1 | 3
  /** Amps by leg, as read. */
  readonly legs: readonly number[]
  /** Mean line volts at the motor; for a motor on a drive those the drive gives it. */
  readonly volts: number
  /** Of the supply, or of the drive. */
  readonly hz: number
  readonly onDrive: boolean
  /** What it may draw, and what its plate says it draws at full load. */
  readonly allowed: number | null
  readonly plateAmps: number
  readonly plateRpm: number
  /** The motor's circuit; null where its plate gives none. */
  readonly circuit: MotorCircuit | null
  /** Null for a fan on the motor's own shaft. */
  readonly drive: DriveStands | null
  /** Speed of the fan by a tachometer; null: by the sheaves. */
  readonly fanRpm: number | null
  readonly wheel: { readonly type: WheelType; readonly greatestRpm: number | null } | null
  /** m³/s and pascals as far as known; `fixed` is the share of the pressure that does not go with the flow. */
  readonly flow: number | null
  readonly pressure: number | null
  readonly fixed: number
  readonly shaft: DriveShaft | null
  /** Hours a year it runs, and what a kilowatt hour costs. */
  readonly hours: number
  readonly price: number
  /** By how much earlier changes came out above what was predicted, as logarithms. */
  readonly misses: readonly number[]
}

/** Ways of changing a fan's speed. Lengths in millimetres. */
export type SpeedChange =
  | { readonly kind: 'turns'; readonly turns: number }
  | { readonly kind: 'motor sheave'; readonly pitch: number }
  | { readonly kind: 'driven sheave'; readonly pitch: number }
  | { readonly kind: 'hertz'; readonly hz: number }
