import { beltLength, centerFromLength, nearestBelt } from '../drivetrain/index.ts'
import type { DriveToday } from './today.ts'

/** Where the motor base comes to stand, and with which belt. Millimetres; travel above zero is away from the fan. */
export interface BaseTold {
  readonly center: number
  readonly travel: number
  /** Null: the belt that is on it still fits. */
  readonly newBelt: { readonly section: string; readonly number: number; readonly length: number } | null
  /** Does the base reach there? Null where its travel is not known. */
  readonly reaches: boolean | null
}

/** Room a base gives either way where nobody measured it, of the center distance. @source common practice */
const usualTravel = 0.04

/**
 * New center distance after a change of the sheaves: with the belt that is on it as long as the base reaches, else with
 * the nearest stocked one.
 * @returns null where centers or belt are not known
 */
export function baseThen(t: DriveToday, after: { driver: number | null; driven: number | null }): BaseTold | null {
  const { drive } = t
  if (!drive || after.driver === null || after.driven === null || drive.center === null) return null
  const { driver, driven } = after
  const least = drive.takeUp?.least ?? drive.center * (1 - usualTravel)
  const most = drive.takeUp?.most ?? drive.center * (1 + usualTravel)
  const told = (length: number, newBelt: BaseTold['newBelt']): BaseTold | null => {
    if (length <= beltLength(driver, driven, ((driver + driven) / 2) * 1.001)) return null
    const center = centerFromLength(driver, driven, length)
    const reaches = drive.takeUp === null ? null : center >= least - 0.05 && center <= most + 0.05
    return { center, travel: center - (drive.center ?? center), newBelt, reaches }
  }
  const length = drive.beltLength ?? beltLength(drive.driver, drive.driven, drive.center)
  const kept = told(length, null)
  if (kept && kept.center >= least - 0.05 && kept.center <= most + 0.05) return kept
  if (drive.section === null) return kept
  const middle = Math.max((least + most) / 2, ((driver + driven) / 2) * 1.05)
  const stocked = nearestBelt(drive.section, beltLength(driver, driven, middle))
  return told(stocked.length, { section: drive.section, ...stocked })
}
