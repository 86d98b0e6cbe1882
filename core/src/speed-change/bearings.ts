import {
  arcFactor,
  arcOfContact,
  beltSection,
  driveTension,
  lifeExponent,
  lifeHours,
  rimSpeed,
  shaftLoads,
  shaftPull,
  systemLife,
} from '../drivetrain/index.ts'
import type { DriveToday } from './today.ts'

/** What the fan shaft's bearings get, and how long they live on it, against today. */
export interface BearingsTold {
  /** Pull of the belts at the tension that the load asks for, newtons. */
  readonly pull: number
  readonly pullNow: number
  /** Life then over life now, at the tension each asks for. */
  readonly lifeShare: number
  /** Hours the whole shaft lives on both bearings; null where their ratings are not known. */
  readonly hours: number | null
}

const gravity = 9.80665

/** @returns null without belts, centers or the motor's load */
export function bearingsThen(
  t: DriveToday,
  after: { driver: number | null; driven: number | null },
  motor: { rpm: number; rpmNow: number; load: number | null },
  powerShare: number,
  fanRpm: number,
  fanRpmNow: number,
): BearingsTold | null {
  const { drive, circuit } = t
  if (!drive || !circuit || motor.load === null || after.driver === null || after.driven === null) return null
  if (drive.section === null || drive.belts === null || drive.center === null) return null
  const { section, belts, center } = drive
  const pullOf = (driver: number, driven: number, rpm: number, watts: number) => {
    const small = Math.min(driver, driven)
    const large = Math.max(driver, driven)
    const arc = arcOfContact(small, large, Math.max(center, ((small + large) / 2) * 1.02))
    const { static: tension } = driveTension(
      watts,
      rimSpeed(driver / 1000, rpm),
      belts,
      arcFactor(Math.max(83, arc)),
      beltSection(section).mass,
    )
    return shaftPull(tension, belts, arc)
  }
  const watts = motor.load * circuit.watts
  const pull = pullOf(after.driver, after.driven, motor.rpm, watts)
  const pullNow = pullOf(drive.driver, drive.driven, motor.rpmNow, watts / powerShare)
  const { shaft } = t
  if (!shaft)
    return { pull, pullNow, lifeShare: ((pullNow / pull) ** lifeExponent.ball * fanRpmNow) / fanRpm, hours: null }
  const lifeAt = (force: number, rpm: number) => {
    const loads = shaftLoads(force, shaft.overhang / 1000, shaft.mass * gravity, shaft.apart / 1000)
    return systemLife([
      lifeHours(shaft.capacity[0], loads.driveEnd, rpm, shaft.type),
      lifeHours(shaft.capacity[1], loads.otherEnd, rpm, shaft.type),
    ])
  }
  const hours = lifeAt(pull, fanRpm)
  return { pull, pullNow, lifeShare: hours / lifeAt(pullNow, fanRpmNow), hours }
}
