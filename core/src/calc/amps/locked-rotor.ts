import { z } from 'zod'
import { codeLetter, letterOf, lockedRotorAmps } from '../../electrical/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, horsepower, hpOf, known, phasesField, volts } from '../fields.ts'

export const lockedRotorCalc = calculator({
  id: 'locked-rotor',
  title: 'Locked-rotor amps from the code letter',
  group: 'protection',
  formula: 'I = kVA/hp · hp · 1000 / (√3 V)',
  basis: [standard('NEC Table 430.7(B)')],
  fill: (m) => known({ code: m.plate?.code, hp: hpOf(m), volts: m.columnVolts ?? m.serviceVolts, phases: m.phases }),
  input: z.strictObject({
    code: z.string().min(1).max(1),
    hp: horsepower,
    volts,
    phases: phasesField.default(3),
    measuredAmps: amperes.positive().optional().meta({ unit: 'A', title: 'Locked amps, measured' }),
  }),
  output: z.object({
    from: amperes,
    to: amperes.nullable().meta({ unit: 'A', none: 'open end' }),
    letter: z.string().nullable().meta({ title: 'Letter of the measured amps', none: 'none measured' }),
  }),
  example: { code: 'G', hp: 10, volts: 460, phases: 3 },
  compute(i) {
    const letter = codeLetter(i.code)
    if (!letter) throw new RangeError('code is not a letter of the table (I, O and Q are not used)')
    return {
      from: letter.from === 0 ? 0 : lockedRotorAmps(letter.from, i.hp, i.volts, i.phases),
      to: letter.to === null ? null : lockedRotorAmps(letter.to, i.hp, i.volts, i.phases),
      letter:
        i.measuredAmps === undefined ? null : letterOf(i.measuredAmps / lockedRotorAmps(1, i.hp, i.volts, i.phases)),
    }
  },
})
