import { z } from 'zod'
import { practice, standard } from '../../limits/index.ts'
import { loadByCircuit } from '../../machine/index.ts'
import { convert } from '../../quantity/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, cfm, hertz, horsepower, hpOf, inchesWater, known, meanOf, ratio, rpm, volts } from '../fields.ts'
import { circuitOf } from '../plated.ts'

/** How well a fan's efficiency is known without its curve, and amps and pressure by hand meters. @source common practice */
const unsure = { efficiency: 0.15, meters: 0.04 } as const

export const airFromAmpsCalc = calculator({
  id: 'air-from-amps',
  title: 'Airflow from amps and static pressure, estimate',
  group: 'air',
  formula: 'shaft power from the motor’s circuit, less the belt’s 4 %;  Q = η P / Δp',
  basis: [
    standard('equivalent circuit estimated from the plate'),
    practice('static efficiency 0.55 to 0.65 near the fan’s best point: a plausibility check, not a measurement'),
  ],
  fill: (m) =>
    m.phases === 3
      ? known({
          amps: meanOf(m.lineAmps),
          volts: meanOf(m.lineVolts),
          hp: hpOf(m),
          plateVolts: m.columnVolts,
          plateAmps: m.plateAmps,
          plateRpm: m.plate?.rpm,
          hz: m.hz,
        })
      : {},
  input: z.strictObject({
    amps: amperes.positive().meta({ unit: 'A', title: 'Mean amps' }),
    volts: volts.meta({ unit: 'V', title: 'Mean volts' }),
    hp: horsepower.meta({ unit: 'hp', title: 'Plate power' }),
    plateVolts: volts.meta({ unit: 'V', title: 'Plate volts' }),
    plateAmps: amperes.positive().meta({ unit: 'A', title: 'Plate amps' }),
    plateRpm: rpm.meta({ unit: 'rpm', title: 'Plate speed' }),
    hz: hertz.default(60).meta({ unit: 'Hz', title: 'Supply' }),
    pressure: inchesWater.positive().meta({ unit: 'in wg', title: 'Static pressure across the fan' }),
    fanEfficiency: ratio.min(0.2).max(0.9).default(0.6).meta({ unit: '%', title: 'Static efficiency of the fan' }),
  }),
  output: z.object({
    power: z.number().meta({ unit: 'hp', title: 'Power at the fan shaft' }),
    flow: cfm.meta({ unit: 'cfm', title: 'Air' }),
    least: cfm.meta({ unit: 'cfm', title: 'Probably not less than' }),
    most: cfm.meta({ unit: 'cfm', title: 'Probably not more than' }),
  }),
  example: { amps: 11, volts: 472, hp: 10, plateVolts: 460, plateAmps: 12.8, plateRpm: 1755, pressure: 2.4 },
  compute(i) {
    const made = circuitOf(i)
    if (!made) throw new RangeError('plateRpm and power of this plate give no motor')
    const load = loadByCircuit(made.circuit, i.amps, i.volts, i.hz)
    if (load === null) throw new RangeError('amps are at or below the no-load amps')
    const watts = 0.96 * load * made.circuit.watts
    const flow = convert((i.fanEfficiency * watts) / convert(i.pressure, 'inwg', 'Pa'), 'm3/s', 'cfm')
    const off = 2 * Math.hypot(unsure.efficiency, unsure.meters)
    return { power: convert(watts, 'W', 'hp'), flow, least: flow * (1 - off), most: flow * (1 + off) }
  },
})
