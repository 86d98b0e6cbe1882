import { z } from 'zod'
import { absorption } from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { megohms } from '../fields.ts'
import { calculator } from '../calculator.ts'

export const polarisationCalc = calculator({
  id: 'polarisation',
  title: 'DAR and polarization index',
  group: 'insulation',
  formula: 'DAR = R(60 s) / R(30 s);  PI = R(10 min) / R(1 min);  both at one temperature, not corrected',
  basis: [standard('IEEE 43'), practice('words for DAR')],
  input: z.strictObject({
    at30s: megohms.optional().meta({ unit: 'MΩ', title: 'At 30 s' }),
    at1min: megohms.meta({ unit: 'MΩ', title: 'At 1 min' }),
    at10min: megohms.optional().meta({ unit: 'MΩ', title: 'At 10 min' }),
  }),
  output: z.object({
    dar: z.number().nullable().meta({ title: 'DAR', none: 'not meaningful' }),
    pi: z.number().nullable().meta({ title: 'PI', none: 'not meaningful' }),
    note: z.string().nullable(),
  }),
  example: { at30s: 240, at1min: 310, at10min: 780 },
  compute(i) {
    const point = (m: number) => ({ megohms: m, over: false })
    const one = point(i.at1min)
    const dar = i.at30s === undefined ? null : absorption(point(i.at30s), one, i.at1min)
    const pi = i.at10min === undefined ? null : absorption(one, point(i.at10min), i.at1min)
    const clear = i.at1min > 5000
    return {
      dar: dar?.kind === 'ratio' ? dar.ratio : null,
      pi: pi?.kind === 'ratio' ? pi.ratio : null,
      note: clear
        ? 'Above 5,000 MΩ the ratios are not meaningful.'
        : 'A small random-wound motor absorbs little: do not fail it on PI alone.',
    }
  },
})
