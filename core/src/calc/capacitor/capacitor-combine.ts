import { z } from 'zod'
import { combinedCapacitance, capacitorAmps } from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { hertz, known, microfarads, numbersIn, ratio, volts } from '../fields.ts'

export const capacitorCombineCalc = calculator({
  id: 'capacitor-combine',
  title: 'Capacitors in parallel or in series',
  group: 'capacitor',
  formula: 'Parallel: C = C1 + C2;  series: 1/C = 1/C1 + 1/C2;  I = 2π f C V / 10⁶',
  basis: [
    standard('capacitors in parallel and in series'),
    practice('in parallel each is rated for the full volts; a substitute until the right one is here'),
  ],
  fill: (m) => known({ wanted: m.plate?.capacitorUf, volts: m.plate?.capacitorVolts, hz: m.hz }),
  input: z.strictObject({
    values: z.string().trim().min(1).max(200).meta({ title: 'Capacitors, µF, spaces between' }),
    wanted: microfarads.positive().optional().meta({ unit: 'µF', title: 'Nameplate calls for' }),
    volts: volts.default(370).meta({ unit: 'V', title: 'Volts across it' }),
    hz: hertz.default(60),
  }),
  output: z.object({
    parallel: microfarads.meta({ unit: 'µF', title: 'In parallel' }),
    series: microfarads.meta({ unit: 'µF', title: 'In series' }),
    off: ratio
      .nullable()
      .meta({ unit: '%', title: 'In parallel, off the nameplate', none: 'nameplate value not entered' }),
    amps: z.number().meta({ unit: 'A', title: 'Amps in parallel' }),
  }),
  example: { values: '5 2.5', wanted: 7.5, volts: 370, hz: 60 },
  compute(i) {
    const { parallel, series } = combinedCapacitance(numbersIn('values', i.values))
    return {
      parallel,
      series,
      off: i.wanted === undefined ? null : parallel / i.wanted - 1,
      amps: capacitorAmps(parallel, i.volts, i.hz),
    }
  },
})
