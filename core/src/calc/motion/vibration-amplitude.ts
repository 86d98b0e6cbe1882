import { z } from 'zod'
import { standard } from '../../limits/index.ts'
import { accelerationOf, displacementOf, rmsFromInchPeak } from '../../motion/index.ts'
import { calculator } from '../calculator.ts'
import { rpm } from '../fields.ts'

export const vibrationAmplitudeCalc = calculator({
  id: 'vibration-amplitude',
  title: 'Vibration as velocity, displacement, acceleration',
  group: 'vibration',
  formula: 'd = v/(π f) peak to peak;  a = 2π f v;  f = rpm/60',
  basis: [standard('sine at one frequency')],
  input: z.strictObject({
    velocity: z.number().positive().max(20).meta({ unit: 'in/s', title: 'Velocity, peak' }),
    rpm: rpm.meta({ unit: 'rpm', title: 'Frequency, as a speed' }),
  }),
  output: z.object({
    displacement: z.number().meta({ unit: 'mil', title: 'Displacement, peak to peak' }),
    acceleration: z.number().meta({ unit: 'g', title: 'Acceleration, peak' }),
    rms: z.number().meta({ unit: 'mm/s', title: 'Velocity, r.m.s.' }),
  }),
  example: { velocity: 0.3, rpm: 900 },
  compute: (i) => ({
    displacement: displacementOf(i.velocity, i.rpm / 60),
    acceleration: accelerationOf(i.velocity, i.rpm / 60),
    rms: rmsFromInchPeak(i.velocity),
  }),
})
