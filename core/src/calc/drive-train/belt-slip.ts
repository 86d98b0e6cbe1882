import { z } from 'zod'
import { driverFor, slipFromSpeeds, usualCreep } from '../../drivetrain/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { inches, known, ratio, rpm } from '../fields.ts'

export const beltSlipCalc = calculator({
  id: 'belt-slip',
  title: 'Belt slip from tachometer readings, and sheave for a speed',
  group: 'drive train',
  formula: 's = 1 − n2 D / (n1 d);  d = n D / (0.99 n1), 1 % creep',
  basis: [standard('ratio of pitch diameters'), practice('creep 0.5 to 2 %, more is slip')],
  fill: (m) => known({ motorRpm: m.plate?.rpm }),
  input: z.strictObject({
    motorRpm: rpm.meta({ unit: 'rpm', title: 'Motor speed, tachometer' }),
    fanRpm: rpm.meta({ unit: 'rpm', title: 'Fan speed, tachometer' }),
    driver: inches.meta({ unit: 'in', title: 'Motor sheave, pitch diameter' }),
    driven: inches.meta({ unit: 'in', title: 'Fan sheave, pitch diameter' }),
    wanted: rpm.optional().meta({ unit: 'rpm', title: 'Fan speed wanted' }),
  }),
  output: z.object({
    slip: ratio.meta({ unit: '%', title: 'Slip' }),
    says: z
      .enum(['creep, normal', 'slipping: check tension and grooves', 'a diameter or a reading is wrong'])
      .meta({ title: 'Result' }),
    sheave: inches.nullable().meta({ unit: 'in', title: 'Motor sheave for wanted speed', none: 'no speed wanted' }),
  }),
  example: { motorRpm: 1755, fanRpm: 770, driver: 4.2, driven: 9.4, wanted: 850 },
  compute(i) {
    const slip = slipFromSpeeds(i.motorRpm, i.fanRpm, i.driver, i.driven)
    return {
      slip,
      says:
        slip < -0.005
          ? ('a diameter or a reading is wrong' as const)
          : slip > 2 * usualCreep + 0.005
            ? ('slipping: check tension and grooves' as const)
            : ('creep, normal' as const),
      sheave: i.wanted === undefined ? null : driverFor(i.motorRpm, i.wanted, i.driven, usualCreep),
    }
  },
})
