import { z } from 'zod'
import { phasorDifference } from '../../electrical/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { amperes } from '../fields.ts'

const degrees = z.number().min(-360).max(360)

export const phasorDifferenceCalc = calculator({
  id: 'phasor-difference',
  title: 'Line current minus ground current, with angles',
  group: 'faults',
  formula: 'I other = I line∠a − I ground∠b',
  basis: [standard('phasor difference')],
  input: z.strictObject({
    lineAmps: amperes.meta({ unit: 'A', title: 'All lines in one clamp' }),
    lineAngle: degrees.default(0).meta({ unit: '°', title: 'at' }),
    groundAmps: amperes.meta({ unit: 'A', title: 'Grounding conductor alone' }),
    groundAngle: degrees.meta({ unit: '°', title: 'at' }),
  }),
  output: z.object({
    amps: amperes.meta({ unit: 'A', title: 'Current on other paths' }),
    angle: z.number().meta({ unit: '°', title: 'at' }),
  }),
  example: { lineAmps: 0.048, lineAngle: 0, groundAmps: 0.031, groundAngle: 25 },
  compute(i) {
    const d = phasorDifference(
      { amps: i.lineAmps, degrees: i.lineAngle },
      { amps: i.groundAmps, degrees: i.groundAngle },
    )
    return { amps: d.amps, angle: d.degrees }
  },
})
