import { z } from 'zod'
import { groundReturn } from '../electrical/index.ts'
import { standard } from '../limits/index.ts'
import { calculator } from './calculator.ts'
import { amperes, ratio } from './fields.ts'

export const groundReturnCalc = calculator({
  id: 'ground-return',
  title: 'Ground fault: what returns another way',
  group: 'faults',
  formula: '|I line − I ground| ≤ I other ≤ I line + I ground',
  basis: [standard('phasor sum; magnitudes give bounds only')],
  input: z.strictObject({
    lineAmps: amperes.positive().meta({ unit: 'A', title: 'Out by the line' }),
    groundWireAmps: amperes.meta({ unit: 'A', title: 'Back by the grounding conductor' }),
  }),
  output: z.object({
    otherLow: amperes.meta({ unit: 'A', title: 'Another way, at least' }),
    otherHigh: amperes.meta({ unit: 'A', title: 'at most' }),
    share: ratio.meta({ unit: '%', title: 'Share another way, in phase' }),
  }),
  example: { lineAmps: 2.37, groundWireAmps: 1.73 },
  compute: (i) => groundReturn(i.lineAmps, i.groundWireAmps),
})
