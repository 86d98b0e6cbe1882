import { beltLength, centreFromLength, nearestBelt } from '../drivetrain/index.ts'
import type { BenchToday } from './today.ts'

/** Where the motor base comes to stand, and with which belt. Millimetres; travel above zero is away from the fan. */
export interface BaseTold {
  readonly centre: number
  readonly travel: number
  /** Null: the belt that is on it still fits. */
  readonly newBelt: { readonly section: string; readonly number: number; readonly length: number } | null
  /** Does the base reach there? Null where its travel is not known. */
  readonly reaches: boolean | null
}

/** Room a base gives either way where nobody measured it, of the centre distance. @source common practice */
const usualTravel = 0.04

/**
 * New centre distance after a change of the sheaves: with the belt that is on it as long as the base reaches, else with
 * the nearest stocked one.
 * @returns null where centres or belt are not known
 */
export function baseThen(t: BenchToday, after: { driver: number | null; driven: number | null }): BaseTold | null {
  const { drive } = t
  if (!drive || after.driver === null || after.driven === null || drive.centre === null) return null
  const { driver, driven } = after
  const least = drive.takeUp?.least ?? drive.centre * (1 - usualTravel)
  const most = drive.takeUp?.most ?? drive.centre * (1 + usualTravel)
  const told = (length: number, newBelt: BaseTold['newBelt']): BaseTold | null => {
    if (length <= beltLength(driver, driven, ((driver + driven) / 2) * 1.001)) return null
    const centre = centreFromLength(driver, driven, length)
    const reaches = drive.takeUp === null ? null : centre >= least - 0.05 && centre <= most + 0.05
    return { centre, travel: centre - (drive.centre ?? centre), newBelt, reaches }
  }
  const length = drive.beltLength ?? beltLength(drive.driver, drive.driven, drive.centre)
  const kept = told(length, null)
  if (kept && kept.centre >= least - 0.05 && kept.centre <= most + 0.05) return kept
  if (drive.section === null) return kept
  const middle = Math.max((least + most) / 2, ((driver + driven) / 2) * 1.05)
  const stocked = nearestBelt(drive.section, beltLength(driver, driven, middle))
  return told(stocked.length, { section: drive.section, ...stocked })
}
