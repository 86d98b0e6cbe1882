import { z } from 'zod'
import { lifeHours, shaftLoads, systemLife } from '../../drivetrain/index.ts'
import { standard } from '../../limits/index.ts'
import { convert } from '../../quantity/index.ts'
import { calculator } from '../calculator.ts'
import { inches, pounds, rpm } from '../fields.ts'

export const shaftBearingsCalc = calculator({
  id: 'shaft-bearings',
  title: 'Fan shaft bearing loads and life',
  group: 'bearings',
  formula: 'F de = P (1 + a/b) + W/2;  F ode = P a/b + W/2;  L = (L1^−10/9 + L2^−10/9)^−9/10',
  basis: [standard('equilibrium of a shaft on two supports'), standard('ISO 281')],
  input: z.strictObject({
    pull: pounds.positive().meta({ unit: 'lbf', title: 'Pull of all belts' }),
    overhang: inches.meta({ unit: 'in', title: 'Belt overhang from the bearing' }),
    apart: inches.meta({ unit: 'in', title: 'Between the bearings' }),
    weight: pounds.meta({ unit: 'lbf', title: 'Weight of wheel and shaft' }),
    rpm: rpm.meta({ unit: 'rpm', title: 'Fan speed' }),
    capacity: pounds.positive().meta({ unit: 'lbf', title: 'Rating C of each bearing' }),
    kind: z.enum(['ball', 'roller']).default('ball').meta({ title: 'Kind' }),
  }),
  output: z.object({
    driveEnd: pounds.meta({ unit: 'lbf', title: 'Load, drive end' }),
    otherEnd: pounds.meta({ unit: 'lbf', title: 'Load, opposite end' }),
    driveHours: z.number().meta({ unit: 'h', title: 'L10 life, drive end' }),
    bothHours: z.number().meta({ unit: 'h', title: 'L10 life, both bearings' }),
  }),
  example: { pull: 310, overhang: 3.2, apart: 24, weight: 110, rpm: 784, capacity: 4400, kind: 'ball' },
  compute(i) {
    const newtons = (v: number) => convert(v, 'lbf', 'N')
    const loads = shaftLoads(newtons(i.pull), i.overhang, newtons(i.weight), i.apart)
    const of = (load: number) => lifeHours(newtons(i.capacity), load, i.rpm, i.kind)
    return {
      driveEnd: convert(loads.driveEnd, 'N', 'lbf'),
      otherEnd: convert(loads.otherEnd, 'N', 'lbf'),
      driveHours: of(loads.driveEnd),
      bothHours: systemLife([of(loads.driveEnd), of(loads.otherEnd)]),
    }
  },
})
