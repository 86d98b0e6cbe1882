import { z } from 'zod'
import { transformerReading } from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { ratio, volts } from '../fields.ts'

export const transformerCalc = calculator({
  id: 'transformer-ratio',
  title: 'Transformer ratio',
  group: 'faults',
  formula: 'out / in against rated out / rated in',
  basis: [standard('turns ratio'), practice('10 % stray')],
  input: z.strictObject({
    in: volts.meta({ unit: 'V', title: 'In' }),
    out: z.number().nonnegative().max(1e5).meta({ unit: 'V', title: 'Out' }),
    ratedIn: volts.meta({ unit: 'V', title: 'Rated in' }),
    ratedOut: volts.meta({ unit: 'V', title: 'Rated out' }),
  }),
  output: z.object({
    fault: z.enum(['none', 'upstream', 'transformer']).meta({ title: 'Fault' }),
    off: ratio.meta({ unit: '%', title: 'Deviation from ratio' }),
    supply: ratio.meta({ unit: '%', title: 'Input, % of rated' }),
  }),
  example: { in: 137, out: 7, ratedIn: 460, ratedOut: 24 },
  compute(i) {
    const { fault, off, supply } = transformerReading(i)
    return { fault, off, supply }
  },
})
