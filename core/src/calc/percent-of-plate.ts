import { z } from 'zod'
import { ampsAtVolts } from '../electrical/index.ts'
import { plateBasis } from '../limits/index.ts'
import { calculator } from './calculator.ts'
import { amperes, volts } from './fields.ts'

export const percentOfPlateCalc = calculator({
  id: 'percent-of-plate',
  title: 'Amps as a share of the plate',
  basis: [plateBasis('plate amps of the column in use')],
  input: z.strictObject({
    amps: amperes,
    plateAmps: amperes.positive(),
    volts: volts.optional().describe('measured'),
    plateVolts: volts.optional().describe('of the column in use'),
  }),
  output: z.object({
    share: z.number().describe('1 is the plate'),
    expectedAtPlateVolts: z.number().nullable().describe('amps of the same shaft load at plate volts'),
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
