import { practice } from '../../limits/index.ts'
import { verdict, type Check } from '../check.ts'

/** Without a plate there is no limit, and amps are not judged: a remembered limit is wrong as often as not. */
export const noPlate: Check = {
  id: 'no-plate',
  title: 'Allowed current',
  subject: 'motor',
  from: 'register',
  applies: (c) => c.allowed === null && c.legsRead.length > 0,
  judge(c) {
    const mismatch = c.motor?.plate.volts !== undefined && c.motor.plate.amps !== undefined
    return verdict(this, {
      level: 'watch',
      because: mismatch
        ? `No column of the plate (${c.motor?.plate.volts ?? ''} V) fits a ${c.machine.serviceVolts} V supply: no limit, so no verdict on amps.`
        : 'No plate amps in the book: no limit, so no verdict on amps.',
      next: mismatch
        ? 'Read the plate and the supply again.'
        : 'Read the motor plate, or the unit plate for the installed fan motor.',
      basis: [practice('a limit comes from a plate, not from memory')],
    })
  },
}
