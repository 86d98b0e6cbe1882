import { drivenRpm, rimSpeed, rimSpeedLimit, usualCreep } from '../../../drivetrain/index.ts'
import { plateBasis, practice } from '../../../limits/index.ts'
import { amount, convert } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'

/** Fan speed: by tachometer where it was read, else by the sheaves on record; null where neither is known. */
function fanRpm(c: Context): { rpm: number; read: boolean } | null {
  const read = c.value('rpm', 'driven')
  if (read !== undefined) return { rpm: read, read: true }
  const tach = c.value('rpm', 'motor')
  const motor = c.plateRpm
  if (tach === undefined && (motor === undefined || motor <= 0)) return null
  const hz = c.machine.hasVfd ? (c.hz ?? c.supplyHz) : c.supplyHz
  const at = tach ?? ((motor ?? 0) * hz) / c.supplyHz
  if (c.machine.drive === 'direct') return { rpm: at, read: false }
  return c.driveTrain ? { rpm: drivenRpm(at, c.driveTrain.driver, c.driveTrain.driven, usualCreep), read: false } : null
}

/** The wheel’s own limit, and the rims of the sheaves. */
export const wheelSpeed: Rule = {
  id: 'wheel-speed',
  title: 'Speed of the wheel',
  subject: 'wheel',
  from: 'visit',
  running: true,
  // Speed is judged whenever it was read or it ran: amps are not needed.
  applies: (c) => c.wheel?.greatestRpm != null && c.has('rpm', 'amps', 'hz') && fanRpm(c) !== null,
  judge(c) {
    const speed = fanRpm(c) ?? { rpm: 0, read: false }
    const most = c.wheel?.greatestRpm ?? Infinity
    const basis = [
      plateBasis('the wheel’s plate'),
      ...(speed.read ? [] : [practice('speed by plate and sheaves, 1 % creep')]),
    ]
    const told = `${speed.rpm.toFixed(0)} rpm${speed.read ? '' : c.value('rpm', 'motor') === undefined ? ' by the sheaves' : ' by the motor’s tachometer and the sheaves'}, ${most.toFixed(0)} is the wheel’s limit`
    if (speed.rpm > most)
      return verdict(this, {
        level: speed.rpm > 1.05 * most ? 'stop' : 'fix',
        value: speed.rpm,
        limit: most,
        basis,
        because: `${told}: more than blades and hub are rated for.`,
        next: 'Open the motor sheave until it is under the limit, set the tension and measure. Nobody stands in line with the wheel.',
      })
    const rim = c.driveTrain
      ? Math.max(
          rimSpeed(c.driveTrain.driven / 1000, speed.rpm),
          rimSpeed(c.driveTrain.driver / 1000, (speed.rpm * c.driveTrain.driven) / c.driveTrain.driver),
        )
      : 0
    if (rim > rimSpeedLimit)
      return verdict(this, {
        level: 'fix',
        value: rim,
        limit: rimSpeedLimit,
        basis: [practice('6500 ft/min for stock cast-iron sheaves')],
        because: `Sheave rim speed ${amount(convert(rim, 'm/s', 'ft/min'), 'ft/min', c.machine.units)}: stock cast iron is limited to ${amount(6500, 'ft/min', c.machine.units)}.`,
        next: 'Use smaller sheaves of the same ratio, or ductile iron.',
      })
    return verdict(this, {
      level: 'ok',
      value: speed.rpm,
      limit: most,
      basis,
      because: `${told}.`,
      next: 'Nothing to do.',
    })
  },
}
