import { z } from 'zod'
import { fullLoadCurrent } from '../../electrical/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, horsepower, hpOf, known, phasesField, volts } from '../fields.ts'

export const fullLoadCurrentCalc = calculator({
  id: 'full-load-current',
  title: 'Full-load current from the code tables (for conductors and fuses, not for judging a motor)',
  group: 'protection',
  formula: 'printed table: row of the hp or the next larger, column of the system volts; no interpolation',
  fill: (m) => known({ phases: m.phases, hp: hpOf(m), volts: m.serviceVolts }),
  basis: [
    standard('NEC Tables 430.250 and 430.248'),
    standard('three-phase rows over 100 hp and the 115 V column', 'from memory'),
  ],
  input: z.strictObject({ phases: phasesField, hp: horsepower, volts }),
  output: z.object({
    amps: amperes.nullable().meta({ unit: 'A', none: 'not in the tables: use the nameplate' }),
    rowHp: z.number().nullable().meta({ unit: 'hp', title: 'Row' }),
    columnVolts: z.number().nullable().meta({ unit: 'V', title: 'Column' }),
  }),
  example: { phases: 3, hp: 10, volts: 480 },
  compute({ phases, hp, volts: v }) {
    const row = fullLoadCurrent(phases, hp, v)
    return { amps: row?.amps ?? null, rowHp: row?.rowHp ?? null, columnVolts: row?.columnVolts ?? null }
  },
})
