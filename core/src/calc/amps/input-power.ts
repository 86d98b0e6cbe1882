import { z } from 'zod'
import { inputKilowatts } from '../../electrical/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, known, meanOf, phasesField, volts } from '../fields.ts'

export const inputPowerCalc = calculator({
  id: 'input-power',
  title: 'Electrical input, and what it costs',
  group: 'load',
  formula: 'kW = √3 · V · I · pf/1000 with three phases, V · I · pf/1000 with one;  cost = kW · h · price',
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
    hours: z.number().positive().max(8784).optional().meta({ unit: 'h', title: 'Runs a year' }),
    price: z.number().nonnegative().max(100).optional().meta({ unit: '$/kWh', title: 'Energy costs' }),
  }),
  output: z.object({
    kilowatts: z.number().meta({ unit: 'kW' }),
    energy: z.number().nullable().meta({ unit: 'kWh', title: 'Energy a year', none: 'hours not entered' }),
    yearly: z.number().nullable().meta({ unit: '$', title: 'Cost a year', none: 'hours or price not entered' }),
  }),
  example: { volts: 461, amps: 10.4, powerFactor: 0.78, phases: 3 },
  compute(i) {
    const kilowatts = inputKilowatts(i.volts, i.amps, i.powerFactor, i.phases)
    const energy = i.hours === undefined ? null : kilowatts * i.hours
    return { kilowatts, energy, yearly: energy === null || i.price === undefined ? null : energy * i.price }
  },
})
