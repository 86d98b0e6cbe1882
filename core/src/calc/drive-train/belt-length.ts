import { z } from 'zod'
import { arcOfContact, beltLength, centerFromLength, nearestBelt, spanLength } from '../../drivetrain/index.ts'
import { standard } from '../../limits/index.ts'
import { convert } from '../../quantity/index.ts'
import { calculator } from '../calculator.ts'
import { inches } from '../fields.ts'

/** Sections whose stock is known. */
export const sectionField = z.enum(['A', 'B', 'C', 'D', '3V', '5V', '8V', '4L', '5L', 'SPZ', 'SPA', 'SPB'])

export const beltLengthCalc = calculator({
  id: 'belt-length',
  title: 'Belt length for two sheaves',
  group: 'drive train',
  formula: 'L = 2C cos α + π(D + d)/2 + α(D − d), sin α = (D − d)/2C',
  basis: [standard('geometry of an open belt'), standard('stock numbers; the belt shop’s list governs', 'from memory')],
  input: z.strictObject({
    small: inches.meta({ unit: 'in', title: 'Smaller pitch diameter' }),
    large: inches.meta({ unit: 'in', title: 'Larger pitch diameter' }),
    center: inches.meta({ unit: 'in', title: 'Center distance' }),
    section: sectionField.default('A').meta({ title: 'Section' }),
  }),
  output: z.object({
    length: z.number().meta({ unit: 'in', title: 'Pitch length' }),
    arc: z.number().meta({ unit: '°', title: 'Arc of contact, smaller sheave' }),
    span: z.number().meta({ unit: 'in', title: 'Free span' }),
    belt: z.string().meta({ title: 'Nearest stocked belt' }),
    newCenter: z.number().meta({ unit: 'in', title: 'Resulting center distance' }),
    travel: z.number().meta({ unit: 'in', title: 'Base movement, out positive' }),
  }),
  example: { small: 4.2, large: 9.4, center: 22, section: 'A' },
  compute(i) {
    const length = beltLength(i.small, i.large, i.center)
    const near = nearestBelt(i.section, convert(length, 'in', 'mm'))
    const newCenter = centerFromLength(i.small, i.large, convert(near.length, 'mm', 'in'))
    return {
      length,
      arc: arcOfContact(i.small, i.large, i.center),
      span: spanLength(i.small, i.large, i.center),
      belt: `${i.section}${near.number}`,
      newCenter,
      travel: newCenter - i.center,
    }
  },
})
