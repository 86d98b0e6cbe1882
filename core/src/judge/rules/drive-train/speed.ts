import { drivenRpm, usualCreep } from '../../../drivetrain/index.ts'
import { plateBasis, practice, standard } from '../../../limits/index.ts'
import { polesOf, synchronousSpeed } from '../../../plate/index.ts'
import { show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'

/** Synchronous speed of the motor at what it is fed with, rpm; null where its poles is not known. */
function synchronous(c: Context): number | null {
  const plate = c.plateRpm
  if (plate === undefined || !(plate > 0)) return null
  const poles = polesOf(c.supplyHz, plate)
  const hz = c.machine.hasVfd ? c.hz : c.supplyHz
  return poles === null || hz === undefined || hz <= 0 ? null : synchronousSpeed(hz, poles)
}

/** The tachometer on the motor against its own synchronous speed, and the fan against motor and sheaves. */
export const speed: Rule = {
  id: 'speed',
  title: 'Speed by tachometer',
  subject: 'belts',
  from: 'visit',
  running: true,
  applies: (c) =>
    (c.value('rpm', 'motor') !== undefined && synchronous(c) !== null) ||
    (c.value('rpm', 'motor') !== undefined && c.value('rpm', 'driven') !== undefined && c.driveTrain !== null),
  judge(c) {
    const motor = c.value('rpm', 'motor') ?? 0
    const top = synchronous(c)
    const fan = c.value('rpm', 'driven')
    const out = []
    if (top !== null) {
      const basis = [standard('an induction motor runs below its synchronous speed')]
      const slip = 1 - motor / top
      const plate = c.plateRpm ?? top
      const rated = 1 - plate / synchronousSpeed(c.supplyHz, polesOf(c.supplyHz, plate) ?? 4)
      const given = { subject: 'motor' as const, positions: ['motor'], value: motor, limit: top }
      if (motor > 1.01 * top)
        out.push(
          verdict(this, {
            ...given,
            level: 'watch',
            basis,
            because: `Motor ${motor.toFixed(0)} rpm, above its ${top.toFixed(0)} rpm synchronous speed: misread, or driven by the wheel.`,
            next: 'Read the tachometer again, one mark on the shaft.',
            settles: false,
          }),
        )
      else if (motor < 1)
        out.push(
          verdict(this, {
            ...given,
            level: 'fix',
            basis,
            because: 'Motor 0 rpm: it does not turn.',
            next: 'Check for a call, then read volts from the outside in until they stop.',
          }),
        )
      else {
        const slow = slip > Math.max(0.12, 3 * rated)
        out.push(
          verdict(this, {
            ...given,
            level: slow ? 'fix' : 'ok',
            basis: [...basis, plateBasis(`nameplate ${plate.toFixed(0)} rpm`)],
            because: slow
              ? `Motor ${motor.toFixed(0)} rpm, ${show.percent(slip)} below synchronous: dragged down, low volts or a lost leg.`
              : `Motor ${motor.toFixed(0)} rpm.`,
            next: slow ? 'Read amps and volts on every leg; then lock out and spin it by hand.' : 'Nothing to do.',
          }),
        )
      }
    }
    if (fan !== undefined && c.driveTrain && motor >= 1) {
      const expected = drivenRpm(motor, c.driveTrain.driver, c.driveTrain.driven, usualCreep)
      const off = fan / expected - 1
      out.push(
        verdict(this, {
          level: off < -0.05 ? 'fix' : Math.abs(off) > 0.05 ? 'watch' : 'ok',
          positions: ['belt'],
          value: fan,
          limit: expected,
          basis: [practice('speed by the sheaves, 1 % creep; more than 5 % is slip')],
          because:
            Math.abs(off) > 0.05
              ? `Fan ${fan.toFixed(0)} rpm, ${expected.toFixed(0)} by the sheaves: ${off < 0 ? `the belt slips ${show.percent(-off)}` : 'the sheaves or the turns open differ from the record'}.`
              : `Fan ${fan.toFixed(0)} rpm, ${expected.toFixed(0)} by the sheaves.`,
          next:
            off < -0.05
              ? 'Set the tension on the base and check the grooves with a gauge; then re-read speed and amps.'
              : off > 0.05
                ? 'Measure both sheaves and count the turns open.'
                : 'Nothing to do.',
        }),
      )
    }
    return out
  },
}
