import { z } from 'zod'
import { airDensity, pressureAtHeight, standardDensity, traverse } from '../../air/index.ts'
import { standard } from '../../limits/index.ts'
import { convert } from '../../quantity/index.ts'
import { calculator } from '../calculator.ts'
import { cfm, inchesWater, ratio } from '../fields.ts'

const point = inchesWater.min(0)

export const traverseCalc = calculator({
  id: 'traverse',
  title: 'Airflow from a duct traverse',
  group: 'air',
  formula: 'V = √(2 p / ρ), the mean of the speeds, never of the pressures;  Q = V A',
  basis: [standard('pitot traverse'), standard('standard atmosphere; ideal gas')],
  input: z.strictObject({
    points: z
      .tuple([point, point, point, point, point, point])
      .meta({ unit: 'in wg', title: 'Velocity pressures', labels: ['1', '2', '3', '4', '5', '6'] }),
    area: z.number().positive().max(1000).meta({ unit: 'ft²', title: 'Duct, open area' }),
    height: z.number().min(-1000).max(20000).default(0).meta({ unit: 'ft', title: 'Elevation' }),
    fahrenheit: z.number().min(-60).max(300).default(70).meta({ unit: '°F', title: 'Air in the duct' }),
  }),
  output: z.object({
    speed: z.number().meta({ unit: 'ft/min', title: 'Mean velocity' }),
    flow: cfm.meta({ unit: 'cfm', title: 'Air' }),
    unsure: ratio.meta({ unit: '%', title: 'Unsure, ±' }),
    density: ratio.meta({ unit: '%', title: 'Density, of standard air' }),
  }),
  example: { points: [0.12, 0.15, 0.18, 0.16, 0.14, 0.11], area: 2.5, height: 0, fahrenheit: 70 },
  compute(i) {
    const density = airDensity(pressureAtHeight(convert(i.height, 'ft', 'm')), ((i.fahrenheit - 32) * 5) / 9)
    const t = traverse(
      i.points.map((p) => convert(p, 'inwg', 'Pa')),
      i.area * 0.09290304,
      density,
    )
    return {
      speed: convert(t.speed, 'm/s', 'ft/min'),
      flow: convert(t.flow, 'm3/s', 'cfm'),
      unsure: t.unsure,
      density: density / standardDensity,
    }
  },
})
