import { z } from 'zod'
import { pscLeads } from '../../electrical/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { ohms, ratio } from '../fields.ts'

const wire = z.enum(['A', 'B', 'C'])

export const pscLeadsCalc = calculator({
  id: 'psc-leads',
  title: 'Single-phase motor: find common, run and start',
  group: 'winding',
  formula: 'the largest is run to start and the sum of the two others; the wire it leaves out is common',
  basis: [standard('two windings in series between run and start')],
  input: z.strictObject({
    pairs: z.tuple([ohms, ohms, ohms]).meta({ unit: 'Ω', labels: ['A-B', 'B-C', 'C-A'] }),
  }),
  output: z.object({
    common: wire.nullable().meta({ none: 'they do not add up' }),
    run: wire.nullable(),
    start: wire.nullable(),
    misfit: ratio.meta({ unit: '%', title: 'Misses the sum by' }),
  }),
  example: { pairs: [31, 23, 8] },
  compute({ pairs }) {
    const said = pscLeads(pairs, [false, false, false])
    const name = (i: number) => wire.options[i] ?? null
    if (said.kind !== 'leads found')
      return { common: null, run: null, start: null, misfit: said.kind === 'do not add up' ? said.misfit : 1 }
    return { common: name(said.common), run: name(said.run), start: name(said.start), misfit: said.misfit }
  },
})
