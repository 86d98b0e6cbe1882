import { z } from 'zod'
import { notOneSupply } from '../../electrical/index.ts'
import { standard } from '../../limits/index.ts'
import { circuitOfPlate, closesTriangle, explainUnbalance } from '../../machine/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, hertz, horsepower, hpOf, known, ratio, rpm, threeAmps, threeVolts, volts } from '../fields.ts'

export const supplyExplainsCalc = calculator({
  id: 'supply-explains',
  title: 'Current unbalance explained by the supply',
  group: 'supply',
  formula: 'I1 = V1 / Z(s);  I2 = V2 / Z(2 − s);  expected legs against measured',
  basis: [standard('symmetrical components on the equivalent circuit')],
  fill: (m) =>
    known({
      lineVolts: m.lineVolts === null ? null : ([...m.lineVolts] as [number, number, number]),
      lineAmps: m.lineAmps === null ? null : ([...m.lineAmps] as [number, number, number]),
      hp: m.phases === 3 ? hpOf(m) : null,
      plateVolts: m.columnVolts,
      plateAmps: m.plateAmps,
      plateRpm: m.plate?.rpm,
      hz: m.hz,
    }),
  input: z.strictObject({
    lineVolts: threeVolts,
    lineAmps: threeAmps,
    hp: horsepower,
    plateVolts: volts,
    plateAmps: amperes.positive(),
    plateRpm: rpm.optional(),
    hz: hertz.optional(),
  }),
  output: z.object({
    load: ratio.meta({ unit: '%', title: 'Shaft load' }),
    expected: threeAmps.meta({ title: 'Expected amps of a good motor' }),
    expectedUnbalance: ratio.meta({ unit: '%', title: 'Unbalance from the supply' }),
    measuredUnbalance: ratio.meta({ unit: '%', title: 'Unbalance measured' }),
    left: ratio.meta({ unit: '%', title: 'Unexplained: motor or connections' }),
  }),
  example: {
    lineVolts: [462, 458, 471],
    lineAmps: [13, 12.1, 15.3],
    hp: 10,
    plateVolts: 460,
    plateAmps: 14,
    plateRpm: 1755,
  },
  compute(i) {
    if (!closesTriangle(i.lineVolts)) throw new RangeError(`lineVolts ${notOneSupply}`)
    const made = circuitOfPlate(
      { power: i.hp, phases: 3, ...(i.plateRpm === undefined ? {} : { rpm: i.plateRpm }) },
      { volts: i.plateVolts, amps: i.plateAmps },
      i.hz ?? 60,
    )
    if (!made) throw new RangeError('plateAmps contradicts power and volts: no motor fits this nameplate')
    const e = explainUnbalance(made.circuit, i.lineVolts, i.lineAmps, i.hz ?? 60)
    if (!e) throw new RangeError('lineAmps are at or below no load: cannot be evaluated')
    return { ...e, expected: [e.expected[0], e.expected[1], e.expected[2]] as [number, number, number] }
  },
})
