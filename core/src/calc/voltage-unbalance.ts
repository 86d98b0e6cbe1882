import { z } from 'zod'
import { lostLineByVolts, negativeSequenceRatio, unbalanceDerating, voltageUnbalance } from '../electrical/index.ts'
import { standard } from '../limits/index.ts'
import { calculator } from './calculator.ts'
import { threeVolts } from './fields.ts'

export const voltageUnbalanceCalc = calculator({
  id: 'voltage-unbalance',
  title: 'Voltage unbalance and what it leaves of the load',
  basis: [standard('NEMA MG 1, 14.36'), standard('IEC 61000-4-30 (negative over positive sequence)')],
  input: z.strictObject({ lineVolts: threeVolts.describe('L1-L2, L2-L3, L3-L1, in volts') }),
  output: z.object({
    unbalance: z.number().describe('NEMA, as a fraction'),
    negativeSequence: z.number().nullable().describe('V2/V1 as a fraction; null: the three close no triangle'),
    derating: z.number().nullable().describe('share of the rated load; null: do not run'),
    lostLine: z.enum(['L1', 'L2', 'L3']).nullable(),
  }),
  example: { lineVolts: [460, 467, 450] },
  compute({ lineVolts }) {
    const unbalance = voltageUnbalance(lineVolts)
    const lost = lostLineByVolts(lineVolts)
    const names = ['L1', 'L2', 'L3'] as const
    return {
      unbalance,
      negativeSequence: negativeSequenceRatio(lineVolts),
      derating: lost === null ? unbalanceDerating(unbalance) : null,
      lostLine: lost === null ? null : (names[lost] ?? null),
    }
  },
})
