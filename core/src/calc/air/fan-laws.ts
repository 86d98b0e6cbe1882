import { z } from 'zod'
import { fanLaws } from '../../air/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { cfm, horsepower, inchesWater, rpm } from '../fields.ts'

export const fanLawsCalc = calculator({
  id: 'fan-laws',
  title: 'Fan laws: airflow, pressure and power at another speed',
  group: 'air',
  formula: 'Q ∝ n;  p ∝ n² ρ;  P ∝ n³ ρ',
  basis: [standard('fan laws, same fan, unchanged duct')],
  input: z.strictObject({
    flow: cfm.meta({ unit: 'cfm', title: 'Airflow now' }),
    pressure: inchesWater.min(0).meta({ unit: 'in wg', title: 'Static pressure now' }),
    power: horsepower.meta({ unit: 'hp', title: 'Shaft power now' }),
    rpm: rpm.meta({ unit: 'rpm', title: 'Fan speed now' }),
    then: rpm.meta({ unit: 'rpm', title: 'Fan speed after' }),
    density: z.number().min(0.3).max(2).default(1).meta({ title: 'Density after / now' }),
  }),
  output: z.object({
    flow: cfm.meta({ unit: 'cfm', title: 'Airflow after' }),
    pressure: inchesWater.meta({ unit: 'in wg', title: 'Static pressure after' }),
    power: z.number().meta({ unit: 'hp', title: 'Shaft power after' }),
  }),
  example: { flow: 4000, pressure: 1.2, power: 1.6, rpm: 900, then: 1000 },
  compute: (i) => fanLaws(i, i.then / i.rpm, 1, i.density),
})
