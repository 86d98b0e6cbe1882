import { z } from 'zod'
import { lifeHours, lifeRatio } from '../../drivetrain/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { ratio, rpm } from '../fields.ts'

const force = z.number().positive().max(1e6).meta({ unit: 'kN' })

export const bearingLifeCalc = calculator({
  id: 'bearing-life',
  title: 'Bearing life and belt tension',
  group: 'bearings',
  formula: 'L10h = 10⁶/(60 n) (C/P)^p, p = 3 ball, 10/3 roller',
  basis: [standard('ISO 281')],
  input: z.strictObject({
    capacity: force.meta({ unit: 'kN', title: 'Rating C' }),
    load: force.meta({ unit: 'kN', title: 'Load P' }),
    rpm,
    kind: z.enum(['ball', 'roller']).default('ball').meta({ title: 'Kind' }),
    more: ratio.min(0).max(5).default(0.2).meta({ unit: '%', title: 'Load increase' }),
  }),
  output: z.object({
    hours: z.number().meta({ unit: 'h', title: 'L10 life' }),
    years: z.number().meta({ unit: 'years', title: 'Running all day' }),
    left: ratio.meta({ unit: '%', title: 'Life at the higher load' }),
  }),
  example: { capacity: 14, load: 1.8, rpm: 1760, kind: 'ball', more: 0.2 },
  compute(i) {
    const hours = lifeHours(i.capacity, i.load, i.rpm, i.kind)
    return { hours, years: hours / 8760, left: lifeRatio(1, 1 + i.more, i.kind) }
  },
})
