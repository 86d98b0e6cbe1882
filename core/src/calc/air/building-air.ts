import { z } from 'zod'
import { airBalance } from '../../air/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { convert } from '../../quantity/index.ts'
import { calculator } from '../calculator.ts'
import { cfm, inchesWater } from '../fields.ts'

export const buildingAirCalc = calculator({
  id: 'building-air',
  title: 'Building air balance',
  group: 'air',
  formula: 'outside air + make-up − exhaust − relief = over;  Q = 2610 A √Δp, A in ft², Δp in in wg',
  basis: [
    standard('air balance'),
    standard('flow through a leak', 'from memory'),
    practice('usual target +0.02 to +0.05 in wg'),
  ],
  input: z.strictObject({
    outside: cfm.meta({ unit: 'cfm', title: 'Outside air, units' }),
    makeUp: cfm.default(0).meta({ unit: 'cfm', title: 'Make-up air' }),
    exhaust: cfm.meta({ unit: 'cfm', title: 'Exhaust' }),
    relief: cfm.default(0).meta({ unit: 'cfm', title: 'Relief' }),
    leak: z.number().positive().max(1000).optional().meta({ unit: 'ft²', title: 'Leakage area' }),
  }),
  output: z.object({
    over: z.number().meta({ unit: 'cfm', title: 'Net' }),
    pressure: inchesWater
      .nullable()
      .meta({ unit: 'in wg', title: 'Building pressure', none: 'leakage area not entered' }),
    says: z.enum(['outward', 'even', 'inward']).meta({ title: 'Airflow at doors' }),
  }),
  example: { outside: 2400, makeUp: 1500, exhaust: 3300, leak: 0.8 },
  compute(i) {
    const m3 = (v: number) => convert(v, 'cfm', 'm3/s')
    const { over, pressure } = airBalance(
      [
        { name: 'outside', kind: 'outside air', flow: m3(i.outside) },
        { name: 'makeUp', kind: 'make-up', flow: m3(i.makeUp) },
        { name: 'exhaust', kind: 'exhaust', flow: m3(i.exhaust) },
        { name: 'relief', kind: 'relief', flow: m3(i.relief) },
      ],
      i.leak === undefined ? undefined : i.leak * 0.09290304,
    )
    const moved = Math.max(i.outside + i.makeUp, i.exhaust + i.relief, 1)
    const share = convert(over, 'm3/s', 'cfm') / moved
    return {
      over: convert(over, 'm3/s', 'cfm'),
      pressure: pressure === null ? null : convert(pressure, 'Pa', 'inwg'),
      says: share > 0.02 ? ('outward' as const) : share < -0.02 ? ('inward' as const) : ('even' as const),
    }
  },
})
