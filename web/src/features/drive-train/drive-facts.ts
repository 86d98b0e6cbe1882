import { corePart, workOf, type MachinePage } from '@motor-round/contract'
import { drivenRpm, usualCreep } from '@motor-round/core/drivetrain'
import { driveAt, partSlots, tensionAsked, type DriveStands, type PartSlot } from '@motor-round/core/installed'
import { show } from '@motor-round/core/quantity'
import { lengthUnitOf, showLength } from '../../app/lengths.ts'
import type { BeltWords, Pair } from '../../parts/belt-drawing/index.ts'

const motorsOf = (page: MachinePage) => [...(page.motor ? [page.motor] : []), ...page.pastMotors]

/** The belt drive of a machine's page at an instant, or null. */
export const driveOf = (page: MachinePage, at: number): DriveStands | null =>
  driveAt(
    page.parts.map(corePart),
    workOf({ work: page.work, parts: page.parts, motors: motorsOf(page) }),
    page.machine.layout,
    at,
  )

/** What stands in a slot now. */
export const inPlace = (page: MachinePage, slot: PartSlot) =>
  page.parts.find((p) => p.part.slot === slot && p.removedAt === null) ?? null

/** A drive as the drawing takes it: without a center distance an ordinary one, so that there is something to look at. */
export const pairOf = (d: Pick<DriveStands, 'driver' | 'driven' | 'center'>): Pair => ({
  driver: d.driver,
  driven: d.driven,
  center: d.center ?? Math.max(d.driven * 1.4, d.driver + d.driven),
})

const rpm = (v: number) => Math.round(v).toLocaleString('en')

/** Speeds by plate and sheaves. */
export function speedsOf(page: MachinePage, d: DriveStands): { motor: number; fan: number } | null {
  const motor = page.motor?.plate.rpm
  return motor === undefined ? null : { motor, fan: drivenRpm(motor, d.driver, d.driven, usualCreep) }
}

/** The words round the drawing. */
export function beltWords(page: MachinePage, d: DriveStands): BeltWords {
  const unit = lengthUnitOf(page.site)
  const belts = inPlace(page, 'belts')?.part
  const speeds = speedsOf(page, d)
  const belt = belts?.slot === 'belts' ? `${belts.spec.count} × ${belts.spec.section}${belts.spec.number}` : null
  const center = d.center === null ? 'center distance not measured' : `centers ${showLength(d.center, unit)}`
  return {
    belt: [belt, center].filter(Boolean).join(' · '),
    speed: speeds ? `${rpm(speeds.motor)} → ${rpm(speeds.fan)} rpm` : undefined,
    driver: `${showLength(d.driver, unit)}${d.adjustable ? `, ${show.count(d.adjustable.turns, 'turn')} open` : ''}`,
    driven: showLength(d.driven, unit),
  }
}

/** What the belts ask for on their span, in one line; null where it is not known. */
export function tensionOf(page: MachinePage, d: DriveStands) {
  const plate = page.motor?.plate
  if (plate?.power === undefined || plate.rpm === undefined) return null
  return tensionAsked(d, plate.power * (plate.powerUnit === 'kW' ? 1000 : 745.7), plate.rpm)
}

/** Slots that make sense on a machine: a fan on the motor's shaft has no belts. */
export const slotsOf = (page: MachinePage): readonly PartSlot[] =>
  page.machine.drive === 'belt' ? partSlots : partSlots.filter((s) => s === 'wheel' || s === 'filters')
