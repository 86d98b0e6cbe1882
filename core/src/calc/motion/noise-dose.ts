import { z } from 'zod'
import { standard } from '../../limits/index.ts'
import { exposure } from '../../motion/index.ts'
import { calculator } from '../calculator.ts'
import { ratio } from '../fields.ts'

const level = z.number().min(0).max(160)
const hours = z.number().min(0).max(24)

export const noiseDoseCalc = calculator({
  id: 'noise-dose',
  title: 'Daily noise dose',
  group: 'vibration',
  formula:
    'D = Σ C/T, from 80 dBA (NIOSH, action level) or 90 dBA (OSHA);  T = 8/2^((L − 85)/3) h (NIOSH), 8/2^((L − 90)/5) h (OSHA)',
  basis: [standard('NIOSH REL'), standard('OSHA 29 CFR 1910.95')],
  input: z.strictObject({
    levels: z.tuple([level, level, level]).meta({ unit: 'dBA', title: 'Levels', labels: ['1', '2', '3'] }),
    hours: z.tuple([hours, hours, hours]).meta({ unit: 'h', title: 'Hours at each', labels: ['1', '2', '3'] }),
  }),
  output: z.object({
    niosh: ratio.meta({ unit: '%', title: 'Daily dose, NIOSH' }),
    osha: ratio.meta({ unit: '%', title: 'Daily dose, OSHA' }),
    action: ratio.meta({ unit: '%', title: 'Daily dose for the OSHA action level (50 %)' }),
    average: z.number().meta({ unit: 'dBA', title: '8-hour average, NIOSH' }),
  }),
  example: { levels: [88, 93, 82], hours: [3, 2, 3] },
  compute(i) {
    const parts = i.levels.map((l, k) => ({ level: l, hours: i.hours[k] ?? 0 }))
    const niosh = exposure(parts, 'NIOSH')
    return {
      niosh: niosh.dose,
      osha: exposure(parts, 'OSHA').dose,
      action: exposure(parts, 'OSHA action level').dose,
      average: niosh.average,
    }
  },
})
