import { z } from 'zod'
import { fullLoadCurrent } from '../electrical/index.ts'
import { standard } from '../limits/index.ts'
import { calculator } from './calculator.ts'
import { volts } from './fields.ts'

export const fullLoadCurrentCalc = calculator({
  id: 'full-load-current',
  title: 'Full-load current from the code tables (for conductors and fuses, not for judging a motor)',
  basis: [standard('NEC Tables 430.250 and 430.248')],
  input: z.strictObject({ phases: z.union([z.literal(1), z.literal(3)]), hp: z.number().positive().max(1000), volts }),
  output: z.object({
    amps: z.number().nullable().describe('null: no printed row or column serves, use the plate'),
    rowHp: z.number().nullable(),
    columnVolts: z.number().nullable(),
  }),
  example: { phases: 3, hp: 10, volts: 480 },
  compute({ phases, hp, volts: v }) {
    const row = fullLoadCurrent(phases, hp, v)
    return { amps: row?.amps ?? null, rowHp: row?.rowHp ?? null, columnVolts: row?.columnVolts ?? null }
  },
})
