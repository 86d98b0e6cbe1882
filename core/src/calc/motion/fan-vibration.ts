import { z } from 'zod'
import { fanCategories, fanVibration, inchPeakFromRms, rmsFromInchPeak } from '../../motion/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'

const velocity = z.number().nonnegative().max(200)

export const fanVibrationCalc = calculator({
  id: 'fan-vibration',
  title: 'Fan vibration limits',
  group: 'vibration',
  formula: 'in/s peak = mm/s r.m.s. · √2 / 25.4',
  basis: [standard('ISO 14694 and AMCA 204, limits in place', 'from memory')],
  input: z.strictObject({
    velocity: velocity.meta({ title: 'Bearing velocity, worst direction' }),
    unit: z.enum(['in/s peak', 'mm/s r.m.s.']).default('in/s peak').meta({ title: 'Unit of the reading' }),
    category: z.enum(fanCategories).default('BV-3').meta({ title: 'Category: BV-2 to 5 hp, BV-3 above' }),
    mounting: z.enum(['rigid', 'flexible']).default('flexible').meta({ title: 'Mounted' }),
  }),
  output: z.object({
    stands: z.enum(['as new', 'above start-up', 'alarm', 'shutdown']).meta({ title: 'Result' }),
    rms: velocity.meta({ unit: 'mm/s', title: 'r.m.s.' }),
    peak: velocity.meta({ unit: 'in/s', title: 'Peak' }),
    startUp: velocity.meta({ unit: 'in/s', title: 'Start-up limit, peak' }),
    alarm: velocity.meta({ unit: 'in/s', title: 'Alarm, peak' }),
    shutdown: velocity.nullable().meta({ unit: 'in/s', title: 'Shutdown, peak', none: 'set from its history' }),
  }),
  example: { velocity: 0.42, unit: 'in/s peak', category: 'BV-3', mounting: 'rigid' },
  compute(i) {
    const rms = i.unit === 'mm/s r.m.s.' ? i.velocity : rmsFromInchPeak(i.velocity)
    const v = fanVibration(rms, i.category, i.mounting)
    return {
      stands: v.stands,
      rms,
      peak: inchPeakFromRms(rms),
      startUp: inchPeakFromRms(v.startUp),
      alarm: inchPeakFromRms(v.alarm),
      shutdown: v.shutdown === null ? null : inchPeakFromRms(v.shutdown),
    }
  },
})
