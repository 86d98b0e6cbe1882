import { z } from 'zod'
import { currentUnbalance } from '../electrical/index.ts'
import { practice } from '../limits/index.ts'
import { calculator } from './calculator.ts'
import { threeAmps } from './fields.ts'

export const currentUnbalanceCalc = calculator({
  id: 'current-unbalance',
  title: 'Current unbalance',
  basis: [practice('the definition of NEMA MG 1, 14.36 applied to currents')],
  input: z.strictObject({ lineAmps: threeAmps.describe('L1, L2, L3, in amperes') }),
  output: z.object({ unbalance: z.number(), average: z.number() }),
  example: { lineAmps: [14.2, 13.1, 15] },
  compute: ({ lineAmps }) => ({
    unbalance: currentUnbalance(lineAmps),
    average: (lineAmps[0] + lineAmps[1] + lineAmps[2]) / 3,
  }),
})
