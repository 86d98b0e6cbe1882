import { z } from 'zod'
import { capacitanceUnderLoad, capacitorDeviation, underLoadUncertainty } from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, hertz, known, ratio, volts, microfarads } from '../fields.ts'

export const capacitorCalc = calculator({
  id: 'capacitor-under-load',
  title: 'Run capacitor from its amps and volts',
  group: 'capacitor',
  formula: 'C = I · 10⁶ / (2π f V), V across the capacitor',
  basis: [standard('capacitive reactance'), practice('±6 % if not marked')],
  fill: (m) => known({ hz: m.hz, marked: m.plate?.capacitorUf }),
  input: z.strictObject({
    amps: amperes.meta({ unit: 'A', title: 'Amps in its lead' }),
    volts: volts.meta({ unit: 'V', title: 'Volts across it' }),
    hz: hertz.default(60),
    marked: microfarads.positive().optional().meta({ unit: 'µF', title: 'Marked' }),
  }),
  output: z.object({
    microfarads,
    deviation: ratio.nullable().meta({ unit: '%', title: 'Deviation from marking', none: 'marking not entered' }),
    unsure: ratio.meta({ unit: '%', title: 'Uncertainty, ±' }),
  }),
  example: { amps: 1.31, volts: 352, hz: 60, marked: 10 },
  compute(i) {
    const c = capacitanceUnderLoad(i.amps, i.volts, i.hz)
    return {
      microfarads: c,
      deviation: i.marked === undefined ? null : capacitorDeviation(c, i.marked),
      unsure: underLoadUncertainty,
    }
  },
})
