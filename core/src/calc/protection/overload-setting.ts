import { z } from 'zod'
import { overloadSetting } from '../../electrical/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, known } from '../fields.ts'

export const overloadCalc = calculator({
  id: 'overload-setting',
  title: 'Overload relay: maximum setting',
  group: 'protection',
  formula:
    '125 % of the nameplate amps with service factor 1.15 or more or a marked rise of 40 °C or less, else 115 %; 140 or 130 % where it will not start',
  basis: [standard('NEC 430.32(A)(1) and (C)')],
  fill: (m) => known({ plateAmps: m.plateAmps, serviceFactor: m.plate?.sf }),
  input: z.strictObject({
    plateAmps: amperes.positive(),
    serviceFactor: z.number().min(1).max(2).default(1),
    rise: z.number().positive().max(200).optional().meta({ unit: '°C rise', title: 'Marked temperature rise' }),
  }),
  output: z.object({
    setting: amperes.meta({ unit: 'A', title: 'Maximum setting' }),
    greatest: amperes.meta({ unit: 'A', title: 'Never above' }),
  }),
  example: { plateAmps: 12.8, serviceFactor: 1.15 },
  compute: (i) => overloadSetting(i.plateAmps, i.serviceFactor, i.rise),
})
