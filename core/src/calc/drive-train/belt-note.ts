import { z } from 'zod'
import { beltSection, tensionFromHertz } from '../../drivetrain/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { convert } from '../../quantity/index.ts'
import { sectionField } from './belt-length.ts'
import { calculator } from '../calculator.ts'
import { inches, pounds } from '../fields.ts'

export const beltNoteCalc = calculator({
  id: 'belt-note',
  title: 'Belt tension from span frequency',
  group: 'drive train',
  formula: 'T = 4 m t² f²',
  basis: [standard('first frequency of a string'), practice('belt mass: the maker’s governs')],
  input: z.strictObject({
    note: z.number().min(1).max(400).meta({ unit: 'Hz', title: 'Frequency of the span' }),
    span: inches.meta({ unit: 'in', title: 'Free span' }),
    section: sectionField.default('A').meta({ title: 'Section' }),
    mass: z.number().positive().max(5).optional().meta({ unit: 'kg/m', title: 'Belt mass, from the maker' }),
  }),
  output: z.object({ tension: pounds.meta({ unit: 'lbf', title: 'Tension of that belt' }) }),
  example: { note: 42, span: 21.65, section: 'A', mass: 0.11 },
  compute: (i) => ({
    tension: convert(
      tensionFromHertz(i.note, convert(i.span, 'in', 'm'), i.mass ?? beltSection(i.section).mass),
      'N',
      'lbf',
    ),
  }),
})
