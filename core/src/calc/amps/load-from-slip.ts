import { z } from 'zod'
import { loadFromSlip } from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { synchronousSpeed, polesOf } from '../../plate/index.ts'
import { calculator } from '../calculator.ts'
import { hertz, known, meanOf, ratio, rpm, volts } from '../fields.ts'

export const slipCalc = calculator({
  id: 'load-from-slip',
  title: 'Shaft load from speed',
  group: 'load',
  formula: '(ns − n) / [(ns − n plate)(V plate / V)²]',
  basis: [standard('the form printed in public motor-load guides'), practice('no better than ±20 %')],
  fill: (m) =>
    known({ plateRpm: m.plate?.rpm, hz: m.hz, volts: meanOf(m.lineVolts) ?? m.columnVolts, plateVolts: m.columnVolts }),
  input: z.strictObject({ measuredRpm: rpm, plateRpm: rpm, hz: hertz.default(60), volts, plateVolts: volts }),
  output: z.object({ load: ratio, synchronous: z.number().meta({ unit: 'rpm', title: 'Synchronous' }) }),
  example: { measuredRpm: 1770, plateRpm: 1750, hz: 60, volts: 460, plateVolts: 460 },
  compute(i) {
    const poles = polesOf(i.hz, i.plateRpm)
    if (poles === null) throw new RangeError('plateRpm does not lie just below a synchronous speed')
    const synchronous = synchronousSpeed(i.hz, poles)
    return {
      synchronous,
      load: loadFromSlip(
        { measured: i.measuredRpm, plate: i.plateRpm, synchronous },
        { measured: i.volts, plate: i.plateVolts },
      ),
    }
  },
})
