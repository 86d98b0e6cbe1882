import { z } from 'zod'
import { standard } from '../../limits/index.ts'
import { averageLevel, sumLevels } from '../../motion/index.ts'
import { calculator } from '../calculator.ts'
import { numbersIn } from '../fields.ts'

export const soundSumCalc = calculator({
  id: 'sound-sum',
  title: 'Sound levels together and on average',
  group: 'vibration',
  formula: 'Ls = 10 log Σ 10^(L/10);  average: 10 log of the mean',
  basis: [standard('sum of levels')],
  input: z.strictObject({
    levels: z.string().trim().min(1).max(400).meta({ title: 'Levels, dBA, spaces between' }),
  }),
  output: z.object({
    together: z.number().meta({ unit: 'dBA', title: 'Fans together' }),
    average: z.number().meta({ unit: 'dBA', title: 'Average of spots' }),
  }),
  example: { levels: '68 71 75' },
  compute(i) {
    const levels = numbersIn('levels', i.levels)
    if (levels.some((l) => l < 0 || l > 160)) throw new RangeError('levels lie between 0 and 160 dBA')
    return { together: sumLevels(levels), average: averageLevel(levels) }
  },
})
