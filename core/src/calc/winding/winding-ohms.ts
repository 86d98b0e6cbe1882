import { z } from 'zod'
import { ohmsAt, phaseOhms, windingUnbalance } from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { celsius, ratio, threeOhms } from '../fields.ts'

const three = z.tuple([z.number(), z.number(), z.number()])

export const windingOhmsCalc = calculator({
  id: 'winding-ohms',
  title: 'Winding ohms: unbalance and phase values',
  group: 'winding',
  formula: 'r = max |R − R mean| / R mean;  wye Ra = M − Rbc, M = ΣR / 2;  R25 = R (234.5 + 25) / (234.5 + t)',
  basis: [standard('circuit theory; copper 234.5 °C'), practice('2 % good, above 5 % reject')],
  input: z.strictObject({ pairs: threeOhms, celsius: celsius.optional().meta({ unit: '°C', title: 'Winding at' }) }),
  output: z.object({
    unbalance: ratio,
    wye: three.nullable().meta({ unit: 'Ω', title: 'Phases of a wye', none: 'not possible for a wye' }),
    delta: three.nullable().meta({ unit: 'Ω', title: 'Branches of a delta', none: 'not possible for a delta' }),
    meanAt25: z.number().nullable().meta({ unit: 'Ω', title: 'Mean at 25 °C', none: 'temperature not entered' }),
  }),
  example: { pairs: [1.3, 1.32, 1.45], celsius: 18 },
  compute(i) {
    const p = Math.min(...i.pairs) > 0 ? phaseOhms(i.pairs) : null
    const mean = (i.pairs[0] + i.pairs[1] + i.pairs[2]) / 3
    return {
      unbalance: windingUnbalance(i.pairs),
      wye: p ? ([...p.wye] as [number, number, number]) : null,
      delta: p ? ([...p.delta] as [number, number, number]) : null,
      meanAt25: i.celsius === undefined ? null : ohmsAt(mean, i.celsius, 25),
    }
  },
})
