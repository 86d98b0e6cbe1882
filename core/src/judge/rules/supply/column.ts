import { plateBasis } from '../../../limits/index.ts'
import { readColumns } from '../../../plate/index.ts'
import { show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'

/** The printed volts of the motor that lie nearest the supply; null where the nameplate cannot be read. */
function nearest(c: Context): number | null {
  const plate = c.motor?.plate
  if (plate?.volts === undefined) return null
  try {
    const all = readColumns(plate.volts, plate.amps, plate.sfa)
    const named = all.find((x) => x.volts === c.motor?.connectionVolts)
    return (
      named?.volts ??
      all
        .map((x) => x.volts)
        .sort((a, b) => Math.abs(a - c.machine.serviceVolts) - Math.abs(b - c.machine.serviceVolts))[0] ??
      null
    )
  } catch (e) {
    if (e instanceof RangeError) return null
    throw e
  }
}

/** A 230 V motor stands 208 V to the edge of its window: a service below it is another motor's. */
const allowedBelow = 0.09

/** A motor made for other volts than the supply it is on, whatever was read. */
export const column: Rule = {
  id: 'column',
  title: 'Nameplate volts against the supply',
  subject: 'motor',
  from: 'register',
  applies(c) {
    const volts = nearest(c)
    return volts !== null && volts > 0
  },
  judge(c) {
    const volts = nearest(c) ?? c.machine.serviceVolts
    const service = c.machine.serviceVolts
    const off = service / volts - 1
    const wrong = off < -allowedBelow || off > 0.1
    const basis = [plateBasis(`${show.volts(volts)} V printed`)]
    return verdict(this, {
      level: wrong ? 'fix' : 'ok',
      value: volts,
      limit: service,
      basis,
      because: wrong
        ? `A ${show.volts(volts)} V motor on a ${show.volts(service)} V service: wrong column or wrong motor, ${show.percent(Math.abs(off))} ${off < 0 ? 'under' : 'over'} its nameplate before any drop.`
        : `${show.volts(volts)} V nameplate on a ${show.volts(service)} V service.`,
      next: wrong
        ? 'Re-read the nameplate and the connection. If they are right, it needs a motor for this service, or a transformer.'
        : 'Nothing to do.',
    })
  },
}
