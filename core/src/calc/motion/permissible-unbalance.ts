import { z } from 'zod'
import { balanceGrade, fanCategories, permissibleUnbalance } from '../../motion/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { rpm } from '../fields.ts'

export const permissibleUnbalanceCalc = calculator({
  id: 'permissible-unbalance',
  title: 'Permissible unbalance of a wheel',
  group: 'vibration',
  formula: 'U = 9549 G m / n  g·mm',
  basis: [standard('ISO 21940-11'), standard('grades of ISO 14694')],
  input: z.strictObject({
    category: z.enum(fanCategories).default('BV-3').meta({ title: 'Fan category' }),
    mass: z.number().positive().max(10_000).meta({ unit: 'kg', title: 'Mass of the wheel' }),
    rpm: rpm.meta({ unit: 'rpm', title: 'Fan speed' }),
    radius: z.number().positive().max(5000).meta({ unit: 'mm', title: 'Radius of the clips' }),
  }),
  output: z.object({
    grade: z.number().meta({ unit: 'mm/s', title: 'Grade G' }),
    total: z.number().meta({ unit: 'g·mm', title: 'Permissible unbalance' }),
    clip: z.number().meta({ unit: 'g', title: 'As a clip at that radius' }),
    force: z.number().meta({ unit: 'N', title: 'Resulting force' }),
  }),
  example: { category: 'BV-3', mass: 40, rpm: 950, radius: 220 },
  compute(i) {
    const u = permissibleUnbalance(balanceGrade[i.category], i.mass, i.rpm)
    return { grade: balanceGrade[i.category], total: u.unbalance, clip: u.unbalance / i.radius, force: u.force }
  },
})
