import { z } from 'zod'
import { inputKilowatts } from '../../electrical/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, known, meanOf, phasesField, volts } from '../fields.ts'

export const inputPowerCalc = calculator({
  id: 'input-power',
  title: 'Electrical input',
  group: 'load',
  formula: 'kW = √3 · V · I · pf/1000 with three phases, V · I · pf/1000 with one',
  basis: [standard('definition')],
  fill: (m) =>
    known({
      volts: meanOf(m.lineVolts),
      amps: meanOf(m.lineAmps),
      powerFactor: m.plate?.powerFactor,
      phases: m.phases,
    }),
  input: z.strictObject({
    volts,
    amps: amperes,
    powerFactor: z.number().positive().max(1),
    phases: phasesField.default(3),
  }),
  output: z.object({ kilowatts: z.number().meta({ unit: 'kW' }) }),
  example: { volts: 461, amps: 10.4, powerFactor: 0.78, phases: 3 },
  compute: (i) => ({ kilowatts: inputKilowatts(i.volts, i.amps, i.powerFactor, i.phases) }),
})
