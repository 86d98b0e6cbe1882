import { z } from 'zod'
import { flowFromHeat, heaterWatts } from '../../air/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { convert } from '../../quantity/index.ts'
import { calculator } from '../calculator.ts'
import { airRise, amperes, cfm, known, ratio, volts } from '../fields.ts'

export const airFromHeatCalc = calculator({
  id: 'air-from-heat',
  title: 'Airflow from electric heat and temperature rise',
  group: 'air',
  formula: 'cfm = 3412 kW / (1.08 ΔT °F);  kW = √3 V I',
  basis: [
    standard('sensible heat of air, 1.08 Btu/h per cfm and °F'),
    practice('thermometers read to about 1 °F, out of sight of the coil'),
  ],
  fill: (m) => known({ volts: m.serviceVolts, phases: m.phases === 1 ? ('1' as const) : ('3' as const) }),
  input: z.strictObject({
    volts: volts.meta({ unit: 'V', title: 'Heater volts' }),
    amps: amperes.positive().meta({ unit: 'A', title: 'Heater amps' }),
    phases: z.enum(['1', '3']).default('3').meta({ title: 'Phases' }),
    rise: airRise.meta({ unit: 'Δ°F', title: 'Temperature rise across the heater' }),
    density: z.number().min(0.3).max(1.5).default(1).meta({ title: 'Density over standard' }),
  }),
  output: z.object({
    kilowatts: z.number().meta({ unit: 'kW', title: 'Heat input' }),
    flow: cfm.meta({ unit: 'cfm', title: 'Air' }),
    unsure: ratio.meta({ unit: '%', title: 'Unsure, ±' }),
  }),
  example: { volts: 478, amps: 22.1, phases: '3', rise: 31 },
  compute(i) {
    const watts = heaterWatts(i.volts, i.amps, i.phases === '3' ? 3 : 1)
    const { flow, unsure } = flowFromHeat(watts, (i.rise * 5) / 9, i.density)
    return { kilowatts: watts / 1000, flow: convert(flow, 'm3/s', 'cfm'), unsure }
  },
})
