import { drivenRpm, usualCreep } from '../../../drivetrain/index.ts'
import { standard } from '../../../limits/index.ts'
import { beltHertz, nameFrequency, suspects } from '../../../motion/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'

/** Speeds of motor and fan, by tachometer where read, else by plate and sheaves. */
function speeds(c: Context): { motor: number; fan: number } | null {
  const hz = c.machine.hasVfd ? (c.hz ?? c.supplyHz) : c.supplyHz
  const plate = c.motor?.plate.rpm
  const motor = c.value('rpm', 'motor') ?? (plate === undefined ? undefined : (plate * hz) / c.supplyHz)
  if (motor === undefined) return null
  const read = c.value('rpm', 'driven')
  if (read !== undefined) return { motor, fan: read }
  if (c.machine.drive === 'direct') return { motor, fan: motor }
  return c.driveTrain ? { motor, fan: drivenRpm(motor, c.driveTrain.driver, c.driveTrain.driven, usualCreep) } : null
}

/** What the strongest frequency of the vibration belongs to, in words. */
export const vibrationPeak: Rule = {
  id: 'vibration-peak',
  title: 'What shakes',
  subject: 'bearings',
  from: 'visit',
  informs: true,
  applies: (c) => c.value('vibration_hz', 'dominant') !== undefined,
  judge(c) {
    const hz = c.value('vibration_hz', 'dominant') ?? 0
    const basis = [standard('a turning part vibrates at its own frequency and multiples')]
    if (hz <= 0)
      return verdict(this, {
        level: 'watch',
        value: hz,
        basis,
        because: '0 Hz: nothing vibrates at that.',
        next: 'Read the strongest frequency again, in hertz or cycles a minute.',
        confidence: 'low',
        settles: false,
      })
    const turning = speeds(c)
    if (!turning)
      return verdict(this, {
        level: 'ok',
        value: hz,
        basis,
        because: `${hz.toFixed(1)} Hz: the speeds of motor and fan are not known, so it cannot be named.`,
        next: 'Read the fan’s speed, or enter its sheaves.',
        confidence: 'low',
      })
    const length = c.driveTrain?.beltLength ?? null
    const found = nameFrequency(
      hz,
      suspects({
        fanRpm: turning.fan,
        motorRpm: turning.motor,
        supplyHz: c.supplyHz,
        beltHz: c.driveTrain && length !== null ? beltHertz(c.driveTrain.driver, turning.motor, length) : undefined,
        blades: c.wheel?.blades ?? undefined,
      }),
    )
    return verdict(this, {
      level: 'ok',
      value: hz,
      basis,
      because: found
        ? `${hz.toFixed(1)} Hz is ${found.words}.`
        : `${hz.toFixed(1)} Hz matches neither fan, motor, belt, blades nor supply: a bearing, the duct or another machine.`,
      next: found
        ? 'Check that part first.'
        : 'Check the bearings by sound and temperature; the bearing calculator gives their frequencies.',
    })
  },
}
