import { z } from 'zod'
import { arcFactor, arcOfContact, beltLength, beltPower, rimSpeed } from '../../drivetrain/index.ts'
import { beltService } from '../../installed/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { convert } from '../../quantity/index.ts'
import { calculator } from '../calculator.ts'
import { horsepower, hpOf, inches, known, ratio, rpm } from '../fields.ts'

export const beltPowerCalc = calculator({
  id: 'belt-power',
  title: 'Belt capacity against motor power',
  group: 'drive train',
  formula: 'N = hp · service / (hp₁ · arc · length), hp₁ = (C₁ − C₂/d − C₃(r·d)² − C₄ log(r·d)) r·d + C₂ r (1 − 1/K)',
  basis: [
    standard('rating formula of the drive standards for classical and narrow V-belts; constants', 'from memory'),
    practice('service 1.2 for a fan that runs by the day, 1.3 by day and night'),
    practice('the belt maker’s rating governs; a notched belt carries more'),
  ],
  fill: (m) => known({ hp: hpOf(m), motorRpm: m.plate?.rpm }),
  input: z.strictObject({
    hp: horsepower.meta({ unit: 'hp', title: 'Motor power' }),
    service: z.number().min(1).max(2).default(beltService).meta({ title: 'Service factor of the drive' }),
    motorRpm: rpm.meta({ unit: 'rpm', title: 'Motor speed' }),
    driver: inches.meta({ unit: 'in', title: 'Motor sheave, pitch diameter' }),
    driven: inches.meta({ unit: 'in', title: 'Fan sheave, pitch diameter' }),
    center: inches.meta({ unit: 'in', title: 'Center distance' }),
    section: z.enum(['A', 'B', 'C', 'D', '3V', '5V']).default('A').meta({ title: 'Section' }),
    belts: z.number().int().min(1).max(12).default(1).meta({ title: 'Belts' }),
  }),
  output: z.object({
    each: horsepower.nullable().meta({ unit: 'hp', title: 'Rating of one belt', none: 'no rating for this sheave' }),
    asked: horsepower.meta({ unit: 'hp', title: 'Design power' }),
    share: ratio
      .nullable()
      .meta({ unit: '%', title: 'Belt rating, % of design power', none: 'no rating for this sheave' }),
    needed: z.number().int().nullable().meta({ title: 'Belts needed', none: 'no rating for this sheave' }),
    says: z
      .enum(['enough', 'under-belted: add a belt, or use a larger section or larger sheaves', 'ask the belt maker'])
      .meta({ title: 'Result' }),
  }),
  example: { hp: 10, service: 1.3, motorRpm: 1750, driver: 7.4, driven: 11, center: 43, section: 'B', belts: 3 },
  compute(i) {
    const mm = (v: number) => convert(v, 'in', 'mm')
    const small = Math.min(i.driver, i.driven)
    const large = Math.max(i.driver, i.driven)
    const watts = beltPower(i.section, {
      small: mm(small),
      large: mm(large),
      speed: rimSpeed(convert(i.driver, 'in', 'm'), i.motorRpm),
      arcFactor: arcFactor(arcOfContact(small, large, i.center)),
      length: mm(beltLength(small, large, i.center)),
    })
    const asked = i.hp * i.service
    const each = watts === null ? null : convert(watts, 'W', 'hp')
    const carried = each === null || each <= 0 ? null : each * i.belts
    return {
      each,
      asked,
      share: carried === null ? null : carried / asked,
      needed: each === null || each <= 0 ? null : Math.ceil(asked / each - 1e-9),
      says:
        carried === null
          ? ('ask the belt maker' as const)
          : carried >= asked
            ? ('enough' as const)
            : ('under-belted: add a belt, or use a larger section or larger sheaves' as const),
    }
  },
})
