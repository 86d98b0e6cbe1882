import { z } from 'zod'
import { largestInertia, referredInertia, startSeconds } from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { polesOf, synchronousSpeed } from '../../plate/index.ts'
import { calculator } from '../calculator.ts'
import { horsepower, hpOf, known, rpm } from '../fields.ts'

const inertia = z.number().nonnegative().max(1e6)
/** Longer than this and the overload class is to be looked at, seconds. */
const long = 10

export const startTimeCalc = calculator({
  id: 'start-time',
  title: 'Starting time of a fan',
  group: 'load',
  formula: 'WK² total = WK² motor + WK² fan (n fan/n motor)²;  t = WK² total · n/(308 T)',
  basis: [
    standard('equation of motion, lb·ft² and lb·ft'),
    standard('NEMA MG 1, 12.54, maximum inertia for a normal start', 'from memory'),
    practice('more than 10 to 15 s: look at the thermal limit and the overload class'),
  ],
  fill: (m) => known({ hp: hpOf(m), motorRpm: m.plate?.rpm }),
  input: z.strictObject({
    fanInertia: inertia.meta({ unit: 'lb·ft²', title: 'Fan wheel, WK²' }),
    fanRpm: rpm.meta({ unit: 'rpm', title: 'Fan speed' }),
    motorInertia: inertia.positive().meta({ unit: 'lb·ft²', title: 'Motor rotor, WK²' }),
    motorRpm: rpm.meta({ unit: 'rpm', title: 'Motor speed' }),
    torque: z.number().positive().max(1e5).meta({ unit: 'lb·ft', title: 'Mean accelerating torque, motor less fan' }),
    hp: horsepower.optional().meta({ unit: 'hp', title: 'Motor power' }),
  }),
  output: z.object({
    referred: inertia.meta({ unit: 'lb·ft²', title: 'Fan inertia at the motor shaft' }),
    total: inertia.meta({ unit: 'lb·ft²', title: 'In all' }),
    seconds: z.number().meta({ unit: 's', title: 'Starting time' }),
    largest: z
      .number()
      .nullable()
      .meta({ unit: 'lb·ft²', title: 'Maximum for a normal start', none: 'motor power not entered' }),
    says: z
      .enum([
        'a normal start',
        'long: check the overload class and the motor’s thermal limit',
        'more inertia than this motor can start',
      ])
      .meta({ title: 'Result' }),
  }),
  example: { fanInertia: 85, fanRpm: 1250, motorInertia: 2.2, motorRpm: 1765, torque: 44, hp: 15 },
  compute(i) {
    const referred = referredInertia(i.fanInertia, i.fanRpm, i.motorRpm)
    const total = i.motorInertia + referred
    const seconds = startSeconds(total, i.motorRpm, i.torque)
    const poles = polesOf(60, i.motorRpm)
    const largest = i.hp === undefined || poles === null ? null : largestInertia(i.hp, synchronousSpeed(60, poles))
    return {
      referred,
      total,
      seconds,
      largest,
      says:
        largest !== null && referred > largest
          ? ('more inertia than this motor can start' as const)
          : seconds > long
            ? ('long: check the overload class and the motor’s thermal limit' as const)
            : ('a normal start' as const),
    }
  },
})
