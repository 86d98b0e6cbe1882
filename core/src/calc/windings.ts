import { z } from 'zod'
import { ohmsAt, phaseOhms, pscLeads, temperatureByOhms, windingUnbalance } from '../electrical/index.ts'
import { practice, standard } from '../limits/index.ts'
import { calculator } from './calculator.ts'
import { celsius, ohms, ratio, threeOhms } from './fields.ts'

const three = z.tuple([z.number(), z.number(), z.number()])

export const windingOhmsCalc = calculator({
  id: 'winding-ohms',
  title: 'Winding ohms: unbalance, phases, at 25 °C',
  group: 'winding',
  formula: 'r = max |R − R mean| / R mean;  wye Ra = M − Rbc, M = ΣR / 2;  R25 = R (234.5 + 25) / (234.5 + t)',
  basis: [standard('circuit theory; copper 234.5 °C'), practice('2 % good, above 5 % reject')],
  input: z.strictObject({ pairs: threeOhms, celsius: celsius.optional().meta({ unit: '°C', title: 'Winding at' }) }),
  output: z.object({
    unbalance: ratio,
    wye: three.nullable().meta({ unit: 'Ω', title: 'Phases of a wye', none: 'no wye gives these' }),
    delta: three.nullable().meta({ unit: 'Ω', title: 'Branches of a delta', none: 'no delta gives these' }),
    meanAt25: z.number().nullable().meta({ unit: 'Ω', title: 'Mean at 25 °C', none: 'no temperature given' }),
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

export const windingTemperatureCalc = calculator({
  id: 'winding-temperature',
  title: 'Winding temperature from its ohms',
  group: 'winding',
  formula: 'T2 = (R2 / R1)(234.5 + T1) − 234.5',
  basis: [standard('copper 234.5 °C')],
  input: z.strictObject({
    coldOhms: ohms.positive(),
    coldCelsius: celsius.meta({ unit: '°C', title: 'Cold, at' }),
    hotOhms: ohms.positive(),
    ambient: celsius.optional().meta({ unit: '°C', title: 'Air at the end' }),
  }),
  output: z.object({
    hotCelsius: z.number().meta({ unit: '°C', title: 'Winding' }),
    rise: z.number().nullable().meta({ unit: 'K', title: 'Rise', none: 'no air temperature given' }),
  }),
  example: { coldOhms: 1.32, coldCelsius: 20, hotOhms: 1.71, ambient: 28 },
  compute(i) {
    const hot = temperatureByOhms(i.coldOhms, i.coldCelsius, i.hotOhms)
    return { hotCelsius: hot, rise: i.ambient === undefined ? null : hot - i.ambient }
  },
})

const wire = z.enum(['A', 'B', 'C'])
export const pscLeadsCalc = calculator({
  id: 'psc-leads',
  title: 'Common, run and start of a single-phase motor',
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
