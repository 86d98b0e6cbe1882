import { z } from 'zod'
import { residualOfLeaks } from '../../electrical/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'

const milliamperes = z.number().nonnegative().max(1e6)

export const residualOfLeaksCalc = calculator({
  id: 'residual-of-leaks',
  title: 'Net current of three leaks to ground',
  group: 'faults',
  formula: '√(a² + b² + c² − ab − bc − ca)',
  basis: [standard('phasor sum of resistive leaks at 120°')],
  input: z.strictObject({
    leaks: z.tuple([milliamperes, milliamperes, milliamperes]).meta({ unit: 'mA', labels: ['L1', 'L2', 'L3'] }),
  }),
  output: z.object({ residual: milliamperes.meta({ unit: 'mA', title: 'Net current (equal leaks cancel)' }) }),
  example: { leaks: [6, 6, 1.5] },
  compute: ({ leaks }) => ({ residual: residualOfLeaks(leaks) }),
})
