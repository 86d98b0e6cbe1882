import { z } from 'zod'
import { currentUnbalance } from '../../electrical/index.ts'
import { practice } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, known, ratio, threeAmps } from '../fields.ts'

export const currentUnbalanceCalc = calculator({
  id: 'current-unbalance',
  title: 'Current unbalance',
  group: 'supply',
  formula: 'i = max |I − I mean| / I mean',
  fill: (m) => known({ lineAmps: m.lineAmps === null ? null : ([...m.lineAmps] as [number, number, number]) }),
  basis: [practice('the definition of NEMA MG 1, 14.36 applied to currents')],
  input: z.strictObject({ lineAmps: threeAmps }),
  output: z.object({ unbalance: ratio, average: amperes }),
  example: { lineAmps: [14.2, 13.1, 15] },
  compute: ({ lineAmps }) => ({
    unbalance: currentUnbalance(lineAmps),
    average: (lineAmps[0] + lineAmps[1] + lineAmps[2]) / 3,
  }),
})
