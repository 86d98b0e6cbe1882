import { z } from 'zod'
import { airPathSays } from '../../air/index.ts'
import { practice } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, inchesWater, ratio } from '../fields.ts'

const words = {
  restriction: 'the air is restricted',
  opening: 'the air bypasses',
  faster: 'the fan runs faster',
  slower: 'the fan runs slower, or the wheel is dirty',
  'no change': 'unchanged',
  mixed: 'the two do not agree: re-read both',
} as const

export const airPathCalc = calculator({
  id: 'air-path',
  title: 'Filter, open door or speed: from pressure, amps and wheel',
  group: 'air',
  formula: 'more pressure on fewer amps is a restriction on a forward-curved wheel, both up is speed',
  basis: [practice('fan curves by kind of wheel')],
  input: z.strictObject({
    wheel: z.enum(['forward-curved', 'backward-inclined', 'propeller']).meta({ title: 'Wheel' }),
    pressureWas: inchesWater.positive().meta({ unit: 'in wg', title: 'Pressure across the fan, usual' }),
    pressure: inchesWater.min(0).meta({ unit: 'in wg', title: 'Pressure now' }),
    ampsWas: amperes.positive().meta({ unit: 'A', title: 'Amps, usual' }),
    amps: amperes.positive().meta({ unit: 'A', title: 'Amps now' }),
  }),
  output: z.object({
    says: z.string().meta({ title: 'Result' }),
    pressureChange: ratio.meta({ unit: '%', title: 'Pressure' }),
    ampsChange: ratio.meta({ unit: '%', title: 'Amps' }),
  }),
  example: { wheel: 'forward-curved', pressureWas: 1.5, pressure: 1.9, ampsWas: 11, amps: 9.2 },
  compute(i) {
    const change = { pressure: i.pressure / i.pressureWas - 1, amps: i.amps / i.ampsWas - 1 }
    return { says: words[airPathSays(i.wheel, change)], pressureChange: change.pressure, ampsChange: change.amps }
  },
})
