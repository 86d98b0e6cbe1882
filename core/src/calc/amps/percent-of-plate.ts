import { z } from 'zod'
import { ampsAtVolts } from '../../electrical/index.ts'
import { plateBasis } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, known, meanOf, ratio, volts } from '../fields.ts'

export const percentOfPlateCalc = calculator({
  id: 'percent-of-plate',
  title: 'Percent of nameplate amps',
  group: 'load',
  formula: 'share = I / I plate;  I at plate volts = I · V / V plate',
  fill: (m) =>
    known({ amps: meanOf(m.lineAmps), plateAmps: m.plateAmps, volts: meanOf(m.lineVolts), plateVolts: m.columnVolts }),
  basis: [plateBasis('plate amps of the column in use')],
  input: z.strictObject({
    amps: amperes,
    plateAmps: amperes.positive(),
    volts: volts.optional().describe('measured'),
    plateVolts: volts.optional().describe('of the column in use'),
  }),
  output: z.object({
    share: ratio.meta({ unit: '%', title: '% of nameplate' }),
    expectedAtPlateVolts: amperes.nullable().meta({ unit: 'A', title: 'Same load at nameplate volts' }),
  }),
  example: { amps: 13.6, plateAmps: 12.8, volts: 461, plateVolts: 460 },
  compute: (i) => ({
    share: i.amps / i.plateAmps,
    expectedAtPlateVolts:
      i.volts !== undefined && i.plateVolts !== undefined && i.amps > 0
        ? ampsAtVolts(i.amps, i.volts, i.plateVolts)
        : null,
  }),
})
