import { z } from 'zod'
import { groundReturn } from '../../electrical/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, ratio } from '../fields.ts'

export const groundReturnCalc = calculator({
  id: 'ground-return',
  title: 'Ground fault: current on other paths',
  group: 'faults',
  formula: '|I line − I ground| ≤ I other ≤ I line + I ground',
  basis: [standard('phasor sum; magnitudes give limits only')],
  input: z.strictObject({
    lineAmps: amperes.positive().meta({ unit: 'A', title: 'Line current' }),
    groundWireAmps: amperes.meta({ unit: 'A', title: 'Grounding conductor current' }),
  }),
  output: z.object({
    otherLow: amperes.meta({ unit: 'A', title: 'Other paths, at least' }),
    otherHigh: amperes.meta({ unit: 'A', title: 'Other paths, at most' }),
    share: ratio.meta({ unit: '%', title: 'Share on other paths, if in phase' }),
  }),
  example: { lineAmps: 2.37, groundWireAmps: 1.73 },
  compute: (i) => groundReturn(i.lineAmps, i.groundWireAmps),
})
