import { z } from 'zod'
import { standard } from '../../limits/index.ts'
import { beltHertz, nameFrequency, suspects } from '../../motion/index.ts'
import { calculator } from '../calculator.ts'
import { inches, known, rpm } from '../fields.ts'

export const nameFrequencyCalc = calculator({
  id: 'name-frequency',
  title: 'Identify a vibration frequency',
  group: 'vibration',
  formula: 'fan n/60;  belt π d n/(60 L);  blades N n/60;  electrical 2 f',
  basis: [standard('a turning part vibrates at its own frequency and multiples')],
  fill: (m) => known({ motorRpm: m.plate?.rpm, supply: m.hz }),
  input: z.strictObject({
    peak: z.number().min(0.5).max(20000).meta({ unit: 'Hz', title: 'Dominant frequency' }),
    fanRpm: rpm.meta({ unit: 'rpm', title: 'Fan speed' }),
    motorRpm: rpm.meta({ unit: 'rpm', title: 'Motor speed' }),
    supply: z.number().min(40).max(70).default(60).meta({ unit: 'Hz', title: 'Supply' }),
    driver: inches.optional().meta({ unit: 'in', title: 'Motor sheave, pitch diameter' }),
    beltLength: inches.optional().meta({ unit: 'in', title: 'Belt, pitch length' }),
    blades: z.number().int().min(2).max(200).optional().meta({ title: 'Blades' }),
  }),
  output: z.object({
    is: z.string().nullable().meta({ title: 'It is', none: 'none of these: a bearing, the duct or another machine' }),
    off: z.number().nullable().meta({ unit: 'Hz', title: 'Off by', none: '–' }),
  }),
  example: { peak: 11.1, fanRpm: 900, motorRpm: 1755, driver: 4.2, beltLength: 69.3, blades: 42 },
  compute(i) {
    const found = nameFrequency(
      i.peak,
      suspects({
        fanRpm: i.fanRpm,
        motorRpm: i.motorRpm,
        supplyHz: i.supply,
        beltHz:
          i.driver === undefined || i.beltLength === undefined
            ? undefined
            : beltHertz(i.driver, i.motorRpm, i.beltLength),
        blades: i.blades,
      }),
    )
    return { is: found?.words ?? null, off: found ? i.peak - found.hertz : null }
  },
})
