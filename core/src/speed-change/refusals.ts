import { rimSpeedLimit, settable } from '../drivetrain/index.ts'
import { amount, convert, show } from '../quantity/index.ts'
import type { Prediction } from './predict.ts'
import type { DriveToday, SpeedChange } from './today.ts'

/** What speaks against a change: `no` is not to be done, `mind` is to be known. */
export interface Refusals {
  readonly no: readonly string[]
  readonly mind: readonly string[]
}

const horsepower = (watts: number) => convert(watts, 'W', 'hp').toFixed(1)

/** Name all that a change may not do. */
export function refusalsOf(t: DriveToday, change: SpeedChange, p: Prediction): Refusals {
  const no: string[] = []
  const mind: string[] = []
  const worst = Math.max(...p.legs)
  if (t.allowed !== null && worst > t.allowed)
    no.push(`over the nameplate: ${show.amps(worst)} A on a leg, ${show.amps(t.allowed)} A allowed`)
  else if (t.allowed !== null && (p.high * worst) / p.amps > t.allowed)
    mind.push(
      `it may reach ${show.amps((p.high * worst) / p.amps)} A, over the ${show.amps(t.allowed)} A of the nameplate`,
    )
  if (t.allowed === null) mind.push('no allowed current is known: enter the nameplate first')
  const greatest = t.wheel?.greatestRpm ?? null
  if (greatest !== null && p.fanRpm > greatest)
    no.push(`over the wheel limit: ${p.fanRpm.toFixed(0)} rpm, ${greatest.toFixed(0)} rpm allowed`)
  if (greatest === null && p.speed > 1.001) mind.push('the maximum speed of this wheel is not entered: check its label')
  if (p.rimSpeed !== null && p.rimSpeed > rimSpeedLimit)
    no.push(
      `sheave rim speed ${amount(convert(p.rimSpeed, 'm/s', 'ft/min'), 'ft/min', t.units)}: stock cast iron is limited to ${amount(6500, 'ft/min', t.units)}`,
    )
  const adjustable = t.drive?.adjustable
  if (change.kind === 'turns' && adjustable && !settable(adjustable, change.turns))
    no.push(
      change.turns < adjustable.least
        ? `closed too far: it must stay at least ${adjustable.least} turn open`
        : change.turns > adjustable.most
          ? `open too far: limit ${show.count(adjustable.most, 'turn')}`
          : `no flat at that position: it is set in steps of ${adjustable.step} turn`,
    )
  if (p.base?.reaches === false) no.push('the motor base does not reach that center distance with any stocked belt')
  if (change.kind === 'hertz' && t.circuit && change.hz > t.circuit.hz + 0.05)
    mind.push(`above the ${t.circuit.hz} Hz of the nameplate the motor loses torque: ask the maker`)
  const asked = p.load === null || !t.circuit ? null : p.load * t.circuit.watts
  if (p.beltsCarry !== null && asked !== null && p.beltsCarry < asked)
    mind.push(`under-belted: the belts carry ${horsepower(p.beltsCarry)} hp, the fan will take ${horsepower(asked)} hp`)
  if (p.bearings && p.bearings.lifeShare < 0.7)
    mind.push(`the fan bearings keep only ${show.percent(p.bearings.lifeShare)} of the life they have now`)
  return { no, mind }
}
