import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'

/** Without a plate there is no limit, and amps are not judged: a remembered limit is wrong as often as not. */
export const noPlate: Rule = {
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
        ? `No voltage on the nameplate (${c.motor?.plate.volts ?? ''} V) fits a ${c.machine.serviceVolts} V supply: no limit, so amps are not judged.`
        : 'Nameplate amps not entered: no limit, so amps are not judged.',
      next: mismatch
        ? 'Re-read the nameplate and the supply.'
        : 'Enter the motor nameplate, or the unit nameplate for the installed fan motor.',
      basis: [practice('a limit needs a nameplate')],
    })
  },
}
