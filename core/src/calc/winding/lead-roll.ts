import { z } from 'zod'
import { leadRoll } from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { ratio, threeAmps } from '../fields.ts'

export const leadRollCalc = calculator({
  id: 'lead-roll',
  title: 'Roll the leads: supply or motor?',
  group: 'faults',
  formula: 'line effect = mean on that line − mean of all nine; lead effect likewise',
  basis: [standard('additive model of a Latin square'), practice('common practice: the test')],
  input: z.strictObject({
    asItWas: threeAmps.meta({ title: 'L1-T1, L2-T2, L3-T3' }),
    movedOnce: threeAmps.meta({ title: 'L1-T3, L2-T1, L3-T2' }),
    movedTwice: threeAmps.meta({ title: 'L1-T2, L2-T3, L3-T1' }),
  }),
  output: z.object({
    blames: z.enum(['supply', 'motor', 'neither']),
    odd: z.string().nullable().meta({ title: 'Odd line or lead', none: 'none' }),
    lineRange: ratio.meta({ unit: '%', title: 'Lines differ by' }),
    leadRange: ratio.meta({ unit: '%', title: 'Leads differ by' }),
  }),
  example: { asItWas: [20.1, 18, 22], movedOnce: [21.9, 20.2, 18.1], movedTwice: [18, 22.1, 20] },
  compute(i) {
    const r = leadRoll([i.asItWas, i.movedOnce, i.movedTwice])
    return {
      blames: r.blames,
      odd: r.blames === 'neither' ? null : `${r.blames === 'supply' ? 'L' : 'T'}${r.odd + 1}`,
      lineRange: r.lineRange,
      leadRange: r.leadRange,
    }
  },
})
