import { z } from 'zod'
import { singlePhasing } from '../../electrical/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, known, meanOf, threeAmps } from '../fields.ts'

export const singlePhasingCalc = calculator({
  id: 'single-phasing',
  title: 'Single-phasing: current on the other lines',
  group: 'faults',
  formula: 'lines √3 · I;  delta 2/3 and 1/3 of the line;  behind a transformer 2 : 1 : 1',
  basis: [standard('constant shaft power; field values are higher')],
  fill: (m) => known({ amps: meanOf(m.lineAmps) }),
  input: z.strictObject({ amps: amperes.positive().meta({ unit: 'A', title: 'Normal, each line' }) }),
  output: z.object({
    lines: amperes.meta({ unit: 'A', title: 'Remaining two lines' }),
    wyePhases: amperes.meta({ unit: 'A', title: 'Two phases of a wye' }),
    deltaPhase: amperes.meta({ unit: 'A', title: 'The delta phase across the live pair' }),
    deltaNormal: amperes.meta({ unit: 'A', title: 'That phase, normal' }),
    openPrimary: threeAmps.meta({ title: 'Lost ahead of a transformer' }),
  }),
  example: { amps: 14 },
  compute({ amps }) {
    const s = singlePhasing(amps)
    return { ...s, openPrimary: [...s.openPrimary] as [number, number, number] }
  },
})
