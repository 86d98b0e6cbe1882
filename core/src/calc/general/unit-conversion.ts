import { z } from 'zod'
import { standard } from '../../limits/index.ts'
import { convert } from '../../quantity/index.ts'
import { calculator } from '../calculator.ts'

export const unitConversionCalc = calculator({
  id: 'unit-conversion',
  title: 'Unit conversion',
  group: 'units',
  formula: 'definitions; 1 hp = 745.7 W',
  basis: [standard('definitions of the units; 1 hp = 745.7 W')],
  input: z.strictObject({ value: z.number(), from: z.string().min(1).max(20), to: z.string().min(1).max(20) }),
  output: z.object({ value: z.number() }),
  example: { value: 10, from: 'hp', to: 'kW' },
  compute: ({ value, from, to }) => ({ value: convert(value, from, to) }),
})
