import { deflectionForce, deflectionOf, hertzFromTension } from '../drivetrain/index.ts'
import { convert, type QuantityCode } from '../quantity/index.ts'
import type { Rig, RigPoint } from './rig.ts'

/** How the belt of a rig lies, for what is read on it at rest: metres, newtons and kg/m of one belt. */
export interface RestingBelt {
  readonly span: number
  readonly tension: number
  readonly mass: number
}

/** A span and a tension such as ten horsepower has, where nobody measured. */
export const ordinaryBelt: RestingBelt = { span: 0.55, tension: 260, mass: 0.11 }

/**
 * What meters on the fan's side of an assembly read, in the quantity's own unit; null for what is read elsewhere.
 * Filters and duct share the pressure as ordinary ones do.
 */
export function fanSide(
  rig: Rig,
  point: RigPoint,
  belt: RestingBelt,
  quantity: QuantityCode,
  position: string,
): number | null {
  const inwg = (pascals: number) => convert(pascals, 'Pa', 'inwg')
  switch (quantity) {
    case 'rpm':
      return position === 'driven' ? point.fanRpm : point.motor.rpm
    case 'filter_drop':
      // A clean bank takes a sixth of what the duct asks for; what is caked on it takes the rest of a restriction.
      return inwg(point.pressure * (1 - 5 / 6 / Math.max(1, rig.faults?.restriction ?? 1)))
    case 'static_pressure':
      return inwg(point.pressure * (position === 'supply' ? 0.6 : 0.4))
    case 'air_flow':
      return convert(point.flow, 'm3/s', 'cfm')
    case 'vibration':
      return (
        (position.endsWith('A') ? 0.05 : 0.12) *
        (point.fanRpm / rig.fan.rpm) *
        (1 + (1 - (rig.faults?.wheel ?? 1)) * 12)
      )
    case 'vibration_hz':
      return point.fanRpm / 60
    case 'belt_press':
      return convert(deflectionOf(belt.span), 'm', 'in')
    case 'belt_force':
      return convert(deflectionForce(belt.tension), 'N', 'lbf')
    case 'belt_note':
      return hertzFromTension(belt.tension, belt.span, belt.mass)
    case 'sheave_gap':
      return 0.01
    case 'sound':
      // Of the air at the wheel, against a plant room that hums.
      return position === 'background'
        ? 55
        : Math.max(56, 72 + 50 * Math.log10(Math.max(1e-3, point.fanRpm / rig.fan.rpm)))
    case 'sound_distance':
      return 3
    default:
      return null
  }
}
