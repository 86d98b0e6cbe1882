import { z } from 'zod'
import { outsideShare } from '../../air/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { cfm, ratio } from '../fields.ts'

const degrees = z.number().min(-60).max(200)

export const outsideAirCalc = calculator({
  id: 'outside-air',
  title: 'Outside-air percentage from temperatures',
  group: 'air',
  formula: '(T return − T mixed) / (T return − T outside)',
  basis: [standard('heat of mixing'), practice('not valid within 11 °F between return and outside')],
  input: z.strictObject({
    back: degrees.meta({ unit: '°F', title: 'Return' }),
    outside: degrees.meta({ unit: '°F', title: 'Outside' }),
    mixed: degrees.meta({ unit: '°F', title: 'Mixed, well stirred' }),
    flow: cfm.positive().optional().meta({ unit: 'cfm', title: 'Unit airflow' }),
  }),
  output: z.object({
    share: ratio.nullable().meta({ unit: '%', title: 'Outside air', none: 'return and outside are too close' }),
    outsideFlow: cfm.nullable().meta({ unit: 'cfm', title: 'That is', none: 'airflow not entered' }),
  }),
  example: { back: 74, outside: 42, mixed: 66, flow: 4000 },
  compute(i) {
    const kelvin = (f: number) => ((f - 32) * 5) / 9
    const share = outsideShare(kelvin(i.back), kelvin(i.outside), kelvin(i.mixed))
    return { share, outsideFlow: share === null || i.flow === undefined ? null : share * i.flow }
  },
})
