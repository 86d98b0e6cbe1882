import { z } from 'zod'
import { greaseFactors, greaseGrams, greaseInterval } from '../../drivetrain/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { known, rpm } from '../fields.ts'

const of = <T extends string>(o: Readonly<Record<T, number>>) => z.enum(Object.keys(o) as [T, ...T[]])
const millimetres = z.number().positive().max(2000).meta({ unit: 'mm' })

export const greaseCalc = calculator({
  id: 'grease',
  title: 'Grease interval and amount',
  group: 'bearings',
  formula: 't = K [14·10⁶/(n √d) − 4 d] h;  G = 0.005 D B g',
  basis: [standard('bearing handbook formula'), practice('one year at most; never grease a sealed bearing')],
  fill: (m) => known({ rpm: m.plate?.rpm }),
  input: z.strictObject({
    bore: millimetres.meta({ unit: 'mm', title: 'Bore' }),
    outside: millimetres.meta({ unit: 'mm', title: 'Outside diameter' }),
    width: millimetres.meta({ unit: 'mm', title: 'Width' }),
    rpm,
    sealed: z.enum(['no', 'yes']).default('no').meta({ title: 'Sealed for life' }),
    type: of(greaseFactors.type).default('ball').meta({ title: 'Kind' }),
    heat: of(greaseFactors.heat).default('under 65 °C').meta({ title: 'Housing' }),
    dirt: of(greaseFactors.dirt).default('light').meta({ title: 'Dirt' }),
    wet: of(greaseFactors.wet).default('dry').meta({ title: 'Wet' }),
    vibration: of(greaseFactors.vibration).default('smooth').meta({ title: 'Vibration' }),
    shaft: of(greaseFactors.shaft).default('horizontal').meta({ title: 'Shaft' }),
  }),
  output: z.object({
    hours: z.number().nullable().meta({ unit: 'h', title: 'Every', none: 'never: sealed' }),
    months: z.number().nullable().meta({ unit: 'months', title: 'Interval, running all day', none: 'never: sealed' }),
    grams: z.number().nullable().meta({ unit: 'g', title: 'Amount', none: 'none: grease damages the seals' }),
    byFormula: z
      .number()
      .nullable()
      .meta({ unit: 'h', title: 'By formula, before the one-year limit', none: 'never: sealed' }),
  }),
  example: { bore: 40, outside: 90, width: 23, rpm: 1750, dirt: 'light' },
  compute(i) {
    if (i.sealed === 'yes') return { hours: null, months: null, grams: null, byFormula: null }
    const t = greaseInterval(i.bore, i.rpm, i)
    return {
      hours: t.hours,
      months: t.hours / 730,
      grams: greaseGrams(i.outside, i.width),
      byFormula: t.byFormula,
    }
  },
})
