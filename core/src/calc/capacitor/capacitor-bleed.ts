import { z } from 'zod'
import { bleedSeconds } from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { ohms, volts, microfarads } from '../fields.ts'

export const bleedCalc = calculator({
  id: 'capacitor-bleed',
  title: 'Time to discharge a capacitor',
  group: 'capacitor',
  formula: 't = R C ln(√2 V / V end)',
  basis: [standard('discharge of a capacitor'), practice('15 to 20 kΩ, 2 W; never a short')],
  input: z.strictObject({
    microfarads: microfarads.positive(),
    volts: volts.meta({ unit: 'V', title: 'Operating volts' }),
    ohms: ohms.positive(),
    endVolts: volts.default(50),
  }),
  output: z.object({ seconds: z.number().meta({ unit: 's' }) }),
  example: { microfarads: 40, volts: 370, ohms: 15000, endVolts: 50 },
  compute: (i) => ({ seconds: bleedSeconds(i.microfarads, i.volts, i.ohms, i.endVolts) }),
})
