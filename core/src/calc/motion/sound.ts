import { z } from 'zod'
import { standard } from '../../limits/index.ts'
import { atDistance, hoursAllowed, soundOfSpeed, withoutBackground } from '../../motion/index.ts'
import { calculator } from '../calculator.ts'
import { rpm } from '../fields.ts'

const feet = z.number().positive().max(1000)
const level = z.number().min(0).max(160).meta({ unit: 'dBA' })

export const soundCalc = calculator({
  id: 'sound',
  title: 'Fan sound: background, speed and exposure',
  group: 'vibration',
  formula: 'Ls = 10 log(10^(Lt/10) − 10^(Lb/10));  ΔL = 50 log(n2/n1), −20 log(r2/r1);  T = 8/2^((L − 85)/3) h',
  basis: [standard('sum of levels'), standard('NIOSH REL; OSHA 29 CFR 1910.95')],
  input: z.strictObject({
    total: level.meta({ unit: 'dBA', title: 'Fan on' }),
    background: level.optional().meta({ unit: 'dBA', title: 'Fan off, same place' }),
    rpm: rpm.optional().meta({ unit: 'rpm', title: 'Fan speed now' }),
    then: rpm.optional().meta({ unit: 'rpm', title: 'Fan speed after' }),
    near: feet.optional().meta({ unit: 'ft', title: 'Read from' }),
    far: feet.optional().meta({ unit: 'ft', title: 'Wanted at' }),
  }),
  output: z.object({
    source: level.nullable().meta({ unit: 'dBA', title: 'Fan alone', none: 'no background, or within 3 dB of it' }),
    change: z.number().nullable().meta({ unit: 'dB', title: 'At the new speed', none: 'speeds not entered' }),
    away: z
      .number()
      .nullable()
      .meta({ unit: 'dBA', title: 'At the other distance, in the open', none: 'distances not entered' }),
    niosh: z.number().meta({ unit: 'h', title: 'Allowed hours a day, NIOSH' }),
    osha: z.number().meta({ unit: 'h', title: 'Allowed hours a day, OSHA' }),
  }),
  example: { total: 91, background: 80, rpm: 900, then: 1000, near: 3, far: 10 },
  compute: (i) => ({
    source: i.background === undefined ? null : withoutBackground(i.total, i.background),
    change: i.rpm === undefined || i.then === undefined ? null : soundOfSpeed(i.then / i.rpm),
    away: i.near === undefined || i.far === undefined ? null : atDistance(i.total, i.near, i.far),
    niosh: hoursAllowed(i.total, 'NIOSH'),
    osha: hoursAllowed(i.total, 'OSHA'),
  }),
})
