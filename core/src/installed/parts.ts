import type { WheelType } from '../air/index.ts'
import { pitchAtTurns, pitchLength, type AdjustableSheave } from '../drivetrain/index.ts'
import type { WorkDone, WorkKindId } from '../trend/index.ts'

/** Places of a machine in which something is installed besides its motor. */
export const partSlots = [
  'motor-sheave',
  'driven-sheave',
  'belts',
  'bearing-de',
  'bearing-ode',
  'shaft',
  'wheel',
  'filters',
] as const
export type PartSlot = (typeof partSlots)[number]

/** Pitch diameters and other lengths in millimetres throughout; null: not known. */
export interface FixedSheave {
  readonly type: 'fixed'
  readonly section: string
  readonly pitch: number
  readonly grooves: number
}

export interface AdjustableSheaveSpec extends AdjustableSheave {
  readonly type: 'adjustable'
  readonly section: string
  readonly grooves: number
  /** Turns open when it was installed; later ones stand in the work. */
  readonly turns: number
}

export interface BeltSet {
  readonly section: string
  /** As the belt is marked: the 38 of A38, the 800 of 5V800. */
  readonly number: number
  readonly count: number
}

export interface InstalledBearing {
  readonly mark: string
  readonly type: 'ball' | 'roller'
  readonly bore: number | null
  /** Outside diameter and width, for the amount of grease. */
  readonly outside: number | null
  readonly width: number | null
  /** Dynamic load rating, newtons. */
  readonly capacity: number | null
  readonly lock: 'eccentric collar' | 'set screws' | 'adapter sleeve' | 'press fit' | null
  readonly greasable: boolean | null
}

export interface InstalledShaft {
  readonly diameter: number
  readonly key: number | null
  /** How far the belts pull outside of the drive-end bearing, and how far apart the bearings stand. */
  readonly overhang: number | null
  readonly apart: number | null
}

export interface InstalledWheel {
  readonly type: WheelType
  readonly wheels: 1 | 2
  readonly diameter: number | null
  /** Speed it may not pass. */
  readonly greatestRpm: number | null
  readonly blades: number | null
  /** Kilograms, all wheels of the shaft. */
  readonly mass: number | null
  /** Balance clips counted on it. */
  readonly clips: number | null
}

export interface FilterBank {
  readonly count: number
  readonly size: string
}

/** What each slot holds. */
export interface PartSpecs {
  readonly 'motor-sheave': FixedSheave | AdjustableSheaveSpec
  readonly 'driven-sheave': FixedSheave
  readonly belts: BeltSet
  readonly 'bearing-de': InstalledBearing
  readonly 'bearing-ode': InstalledBearing
  readonly shaft: InstalledShaft
  readonly wheel: InstalledWheel
  readonly filters: FilterBank
}

export type PartIn<S extends PartSlot = PartSlot> = {
  readonly [K in S]: { readonly slot: K; readonly spec: PartSpecs[K] }
}[S]

/** A part with its time in the slot, ms since 1970; null: still in place. */
export type InstalledPart<S extends PartSlot = PartSlot> = PartIn<S> & {
  readonly installedAt: number
  readonly removedAt: number | null
}

/** What the air of a fan is to the building it serves. */
export type AirRole = 'exhaust' | 'make-up' | 'supply' | 'relief' | 'inside'

/** How the drive of a machine stands, besides its parts. Lengths in millimetres; null: not known. */
export interface DriveLayout {
  readonly center: number | null
  /** Least and greatest center distance the motor base gives. */
  readonly takeUp: { readonly least: number; readonly most: number } | null
  readonly rotation: 'clockwise' | 'counter-clockwise' | null
  readonly seenFrom: 'drive end' | 'opposite end' | null
  readonly mounting: 'rigid' | 'flexible' | null
  /** What its air is to the building; null: by the kind of its unit. */
  readonly air: AirRole | null
  /** Share of its air that comes from outside, for a fan that supplies; null: not known. */
  readonly outsideShare: number | null
}

export const unknownLayout: DriveLayout = {
  center: null,
  takeUp: null,
  rotation: null,
  seenFrom: null,
  mounting: null,
  air: null,
  outsideShare: null,
}

/** The kind of work that a change of a slot's part is. */
export const workOfSlot: Readonly<Record<PartSlot, WorkKindId>> = {
  'motor-sheave': 'sheave-changed',
  'driven-sheave': 'sheave-changed',
  belts: 'belts-renewed',
  'bearing-de': 'bearings-renewed',
  'bearing-ode': 'bearings-renewed',
  shaft: 'shaft-renewed',
  wheel: 'wheel-replaced',
  filters: 'filters-changed',
}

/** What was in a slot at an instant; what went in first also speaks for the time before it was entered. */
export function partAt<S extends PartSlot>(parts: readonly InstalledPart[], slot: S, at: number): PartSpecs[S] | null {
  const own = parts.filter((p) => p.slot === slot).sort((a, b) => a.installedAt - b.installedAt)
  const found = own.find((p) => p.installedAt <= at && (p.removedAt === null || p.removedAt > at))
  const first = own[0]
  const part = found ?? (first && at < first.installedAt ? first : undefined)
  return part ? (part.spec as PartSpecs[S]) : null
}

/** Turns the adjustable sheave stood open at an instant, by the work since it was installed; null where none is installed. */
export function turnsAt(parts: readonly InstalledPart[], work: readonly WorkDone[], at: number): number | null {
  const sheave = partAt(parts, 'motor-sheave', at)
  if (sheave?.type !== 'adjustable') return null
  const installed = parts.find((p) => p.spec === sheave)?.installedAt ?? -Infinity
  const turned = work
    .filter((w) => w.kind === 'sheave-turned' && w.turns !== undefined && w.at >= installed)
    .sort((a, b) => a.at - b.at)
  const last = turned.filter((w) => w.at <= at).at(-1)
  if (last?.turns) return last.turns.after
  return turned[0]?.turns?.before ?? sheave.turns
}

/** Pitch diameters at an instant, mm; null where a sheave is not known. */
export function sheavesAt(parts: readonly InstalledPart[], work: readonly WorkDone[], at: number) {
  const sheave = partAt(parts, 'motor-sheave', at)
  const turns = turnsAt(parts, work, at)
  const driver =
    sheave === null
      ? null
      : sheave.type === 'fixed'
        ? sheave.pitch
        : // The record may hold more turns than a sheave that was corrected since has.
          pitchAtTurns(sheave, Math.min(turns ?? sheave.turns, sheave.most))
  return { driver, driven: partAt(parts, 'driven-sheave', at)?.pitch ?? null, turns }
}

/** Pitch length of a belt set, mm. @throws RangeError when its section is not known */
export const beltSetLength = (b: BeltSet): number => pitchLength(b.section, b.number)
