import { z } from 'zod'
import { presentValue } from '../../energy/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { ratio } from '../fields.ts'

export const presentValueCalc = calculator({
  id: 'present-value',
  title: 'Present value of a yearly saving',
  group: 'energy',
  formula: 'PV = A [1 − ((1 + g)/(1 + i))ⁿ]/(i − g);  NPV = PV − cost',
  basis: [standard('value of an annuity')],
  input: z.strictObject({
    yearly: z.number().min(-1e9).max(1e9).meta({ unit: '$', title: 'Savings a year' }),
    rate: ratio.min(-0.5).max(1).meta({ unit: '%', title: 'Interest' }),
    years: z.number().positive().max(100).meta({ unit: 'years', title: 'For' }),
    growth: ratio.min(-0.5).max(1).default(0).meta({ unit: '%', title: 'Growth a year' }),
    cost: z.number().min(0).max(1e9).optional().meta({ unit: '$', title: 'Costs now' }),
  }),
  output: z.object({
    value: z.number().meta({ unit: '$', title: 'Present value' }),
    net: z.number().nullable().meta({ unit: '$', title: 'Net of cost', none: 'cost not entered' }),
  }),
  example: { yearly: 640, rate: 0.07, years: 10, growth: 0, cost: 2500 },
  compute(i) {
    const value = presentValue(i.yearly, i.rate, i.years, i.growth)
    return { value, net: i.cost === undefined ? null : value - i.cost }
  },
})
