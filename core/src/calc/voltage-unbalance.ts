import { z } from 'zod'
import { lostLineByVolts, negativeSequenceRatio, unbalanceDerating, voltageUnbalance } from '../electrical/index.ts'
import { standard } from '../limits/index.ts'
import { calculator } from './calculator.ts'
import { known, ratio, threeVolts } from './fields.ts'

export const voltageUnbalanceCalc = calculator({
  id: 'voltage-unbalance',
  title: 'Voltage unbalance and what it leaves of the load',
  group: 'supply',
  formula: 'u = max |V − V mean| / V mean;  V2/V1 = √[(1 − √(3 − 6β)) / (1 + √(3 − 6β))]',
  fill: (m) => known({ lineVolts: m.lineVolts === null ? null : ([...m.lineVolts] as [number, number, number]) }),
  curve({ lineVolts }) {
    const u = Math.max(...lineVolts) > 0 ? voltageUnbalance(lineVolts) : null
    const at = u === null ? null : unbalanceDerating(u)
    return {
      x: { title: 'Voltage unbalance', unit: '%' },
      y: { title: 'Share of the load it may carry', unit: '%' },
      lines: [
        {
          name: 'derating curve',
          points: [0, 0.01, 0.02, 0.03, 0.04, 0.05].map((x) => [x, unbalanceDerating(x) ?? 0] as const),
        },
      ],
      marks: u !== null && at !== null ? [{ name: 'here', x: u, y: at }] : [],
    }
  },
  basis: [standard('NEMA MG 1, 14.36'), standard('IEC 61000-4-30 (negative over positive sequence)')],
  input: z.strictObject({ lineVolts: threeVolts }),
  output: z.object({
    unbalance: ratio.meta({ unit: '%', title: 'Unbalance by NEMA' }),
    negativeSequence: ratio
      .nullable()
      .meta({ unit: '%', title: 'Negative over positive sequence', none: 'the three close no triangle' }),
    derating: ratio.nullable().meta({ unit: '%', title: 'Share of the load it may carry', none: 'do not run' }),
    lostLine: z.enum(['L1', 'L2', 'L3']).nullable().meta({ title: 'Line lost', none: 'none' }),
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
