import type { AdjustableSheave } from '../drivetrain/index.ts'
import {
  arcFactor,
  arcOfContact,
  beltLength,
  beltPower,
  beltSection,
  centerFromLength,
  driveTension,
  rimSpeed,
  spanLength,
} from '../drivetrain/index.ts'
import type { WorkDone } from '../trend/index.ts'
import { beltSetLength, partAt, sheavesAt, type DriveLayout, type InstalledPart } from './parts.ts'

/** The belt drive of a machine as it stands. Lengths in millimetres; null: not known. */
export interface DriveStands {
  readonly driver: number
  readonly driven: number
  /** Where the motor's sheave is adjustable, and how far open it is. */
  readonly adjustable: (AdjustableSheave & { readonly turns: number }) | null
  readonly section: string | null
  readonly belts: number | null
  /** Pitch length of the belt on it. */
  readonly beltLength: number | null
  readonly center: number | null
  readonly takeUp: { readonly least: number; readonly most: number } | null
}

/** Belts are cut within about one per cent; further off, the number or the measured centers are wrong. */
const trusted = 0.05

/**
 * Centre distance: a taut belt says where the motor stands now, whatever was measured before the sheave was turned. Where
 * the two do not fit together the measured one is believed.
 */
function centerNow(driver: number, driven: number, length: number | null, measured: number | null): number | null {
  if (length === null) return measured
  const taut = centerFromLength(driver, driven, length)
  return measured === null || Math.abs(taut / measured - 1) < trusted ? taut : measured
}

/** Does a belt of that length reach around these sheaves? If not, its number is written wrong and says nothing. */
const reaches = (driver: number, driven: number, length: number): boolean =>
  length > beltLength(driver, driven, ((driver + driven) / 2) * 1.001)

/** The drive at an instant, from what is installed and done; null where a sheave is not on record. */
export function driveAt(
  parts: readonly InstalledPart[],
  work: readonly WorkDone[],
  layout: DriveLayout,
  at: number,
): DriveStands | null {
  const { driver, driven, turns } = sheavesAt(parts, work, at)
  if (driver === null || driven === null) return null
  const sheave = partAt(parts, 'motor-sheave', at)
  const belts = partAt(parts, 'belts', at)
  const marked = belts ? beltSetLength(belts) : null
  const length = marked !== null && reaches(driver, driven, marked) ? marked : null
  return {
    driver,
    driven,
    adjustable: sheave?.type === 'adjustable' && turns !== null ? { ...sheave, turns } : null,
    section: belts?.section ?? sheave?.section ?? null,
    belts: belts?.count ?? sheave?.grooves ?? null,
    beltLength: length,
    center: centerNow(driver, driven, length, layout.center),
    takeUp: layout.takeUp,
  }
}

/** The tension a drive asks for, newtons a belt, and where it is measured. Lengths in metres. */
export interface TensionAsked {
  readonly span: number
  readonly arc: number
  /** Of a used belt, and of a new one that still has to settle. */
  readonly used: number
  readonly fresh: number
  /** kg/m and newtons of one belt. */
  readonly mass: number
  readonly stiffness: number
  readonly belts: number
}

/**
 * Tension of a drive's belts by its power, speed and arc.
 * @param watts of the motor's plate @param rpm of the motor
 * @returns null where section, count or centers are not known
 * @source tight to slack as 5 : 1; a new belt half as much again, common practice
 */
export function tensionAsked(d: DriveStands, watts: number, rpm: number): TensionAsked | null {
  if (d.section === null || d.belts === null || d.center === null) return null
  const small = Math.min(d.driver, d.driven)
  const large = Math.max(d.driver, d.driven)
  if (d.center <= (small + large) / 2) return null
  const arc = arcOfContact(small, large, d.center)
  const { mass, stiffness } = beltSection(d.section)
  const { static: used } = driveTension(
    watts,
    rimSpeed(d.driver / 1000, rpm),
    d.belts,
    arcFactor(Math.max(83, arc)),
    mass,
  )
  return {
    span: spanLength(small, large, d.center) / 1000,
    arc,
    used,
    fresh: 1.5 * used,
    mass,
    // Of a single belt only the part of it that is bent counts.
    stiffness:
      d.belts === 1 && d.beltLength !== null
        ? (stiffness * spanLength(small, large, d.center)) / d.beltLength
        : stiffness,
    belts: d.belts,
  }
}

/** Service factor of a fan's belts that run by the day. @source common practice */
export const beltService = 1.2

/**
 * What the belts of a drive are good for, watts of all together.
 * @param rpm of the motor
 * @returns null where section, count, length or centers are not on record, or their rating is not known
 */
export function beltsCarry(d: DriveStands, rpm: number): number | null {
  if (d.section === null || d.belts === null || d.center === null || d.beltLength === null) return null
  const small = Math.min(d.driver, d.driven)
  const large = Math.max(d.driver, d.driven)
  if (d.center <= (small + large) / 2) return null
  const contact = arcOfContact(small, large, d.center)
  // Less of the sheave than any rating goes down to.
  if (contact < 83) return null
  const arc = arcFactor(contact)
  const speed = rimSpeed(d.driver / 1000, rpm)
  const one = beltPower(d.section, { small, large, speed, arcFactor: arc, length: d.beltLength })
  return one === null ? null : one * d.belts
}
