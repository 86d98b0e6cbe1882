import { z } from 'zod'
import { drivenRpm, rimSpeed, rimSpeedLimit } from '../../drivetrain/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { convert } from '../../quantity/index.ts'
import { calculator } from '../calculator.ts'
import { inches, known, ratio, rpm } from '../fields.ts'

export const fanSpeedCalc = calculator({
  id: 'fan-speed',
  title: 'Fan speed from the sheaves',
  group: 'drive train',
  formula: 'n2 = n1 d / D (1 − slip);  v = π d n',
  basis: [
    standard('ratio of pitch diameters'),
    practice('creep 0.5 to 2 %'),
    practice('stock cast-iron sheaves to 6,500 ft/min'),
  ],
  fill: (m) => known({ motorRpm: m.plate?.rpm }),
  input: z.strictObject({
    motorRpm: rpm.meta({ unit: 'rpm', title: 'Motor speed' }),
    driver: inches.meta({ unit: 'in', title: 'Motor sheave, pitch diameter' }),
    driven: inches.meta({ unit: 'in', title: 'Fan sheave, pitch diameter' }),
    slip: ratio.min(0).max(0.5).default(0.01).meta({ unit: '%', title: 'Creep and slip' }),
    wheelMost: rpm.optional().meta({ unit: 'rpm', title: 'Wheel maximum speed' }),
  }),
  output: z.object({
    fanRpm: z.number().meta({ unit: 'rpm', title: 'Fan speed' }),
    ratio: z.number().meta({ title: 'Ratio' }),
    beltSpeed: z.number().meta({ unit: 'ft/min', title: 'Belt speed' }),
    rim: z.enum(['within', 'too fast']).meta({ title: 'Rim speed of the larger sheave' }),
    wheel: z.enum(['within', 'too fast']).nullable().meta({ title: 'Wheel', none: 'limit not entered' }),
  }),
  example: { motorRpm: 1755, driver: 4.2, driven: 9.4, slip: 0.01, wheelMost: 1100 },
  compute(i) {
    const fanRpm = drivenRpm(i.motorRpm, i.driver, i.driven, i.slip)
    const fastest = Math.max(
      rimSpeed(convert(i.driver, 'in', 'm'), i.motorRpm),
      rimSpeed(convert(i.driven, 'in', 'm'), fanRpm),
    )
    return {
      fanRpm,
      ratio: i.driven / i.driver,
      beltSpeed: convert(rimSpeed(convert(i.driver, 'in', 'm'), i.motorRpm), 'm/s', 'ft/min'),
      rim: fastest > rimSpeedLimit ? ('too fast' as const) : ('within' as const),
      wheel: i.wheelMost === undefined ? null : fanRpm > i.wheelMost ? ('too fast' as const) : ('within' as const),
    }
  },
})
