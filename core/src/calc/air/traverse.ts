import { z } from 'zod'
import { airDensity, pressureAtHeight, standardDensity, traverse } from '../../air/index.ts'
import { standard } from '../../limits/index.ts'
import { convert } from '../../quantity/index.ts'
import { calculator } from '../calculator.ts'
import { cfm, inchesWater, ratio } from '../fields.ts'

const point = inchesWater.min(0)
/** What a pitot tube still tells, in wg: 400 ft/min. @source common practice */
const least = 0.01

/** Of standard air where neither is known; at sea level, or at 70 °F, where the other is. */
function densityAt(feet: number | undefined, fahrenheit: number | undefined): number {
  if (feet === undefined && fahrenheit === undefined) return standardDensity
  return airDensity(pressureAtHeight(convert(feet ?? 0, 'ft', 'm')), (((fahrenheit ?? 70) - 32) * 5) / 9)
}

export const traverseCalc = calculator({
  id: 'traverse',
  title: 'Airflow from a duct traverse',
  group: 'air',
  formula:
    'V = 4005 √VP at standard air, by the root of the density at others;  the mean of the speeds, never of the pressures;  Q = V A',
  basis: [standard('pitot traverse'), standard('standard atmosphere; ideal gas')],
  input: z.strictObject({
    points: z
      .tuple([point, point, point, point, point, point])
      .meta({ unit: 'in wg', title: 'Velocity pressures', labels: ['1', '2', '3', '4', '5', '6'] }),
    area: z.number().positive().max(1000).meta({ unit: 'ft²', title: 'Duct, open area' }),
    height: z.number().min(-1000).max(20000).optional().meta({ unit: 'ft', title: 'Elevation' }),
    fahrenheit: z.number().min(-60).max(300).optional().meta({ unit: '°F', title: 'Air in the duct' }),
  }),
  output: z.object({
    speed: z.number().meta({ unit: 'ft/min', title: 'Mean velocity' }),
    flow: cfm.meta({ unit: 'cfm', title: 'Air' }),
    unsure: ratio.meta({ unit: '%', title: 'Unsure, ±' }),
    density: ratio.meta({ unit: '%', title: 'Density, of standard air' }),
    says: z
      .enum([
        'every point is in the range of a pitot tube',
        'points under 0.01 in wg are below the range of a pitot tube: traverse where the duct is narrower',
      ])
      .meta({ title: 'Result' }),
  }),
  example: { points: [0.12, 0.15, 0.18, 0.16, 0.14, 0.11], area: 2.5 },
  compute(i) {
    const density = densityAt(i.height, i.fahrenheit)
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
      says: i.points.some((p) => p < least)
        ? ('points under 0.01 in wg are below the range of a pitot tube: traverse where the duct is narrower' as const)
        : ('every point is in the range of a pitot tube' as const),
    }
  },
})
