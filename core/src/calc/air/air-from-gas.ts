import { z } from 'zod'
import { flowFromHeat, gasInput, wattsOfBtuHour } from '../../air/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { convert } from '../../quantity/index.ts'
import { calculator } from '../calculator.ts'
import { airRise, cfm, ratio } from '../fields.ts'

export const airFromGasCalc = calculator({
  id: 'air-from-gas',
  title: 'Airflow from gas heat and temperature rise',
  group: 'air',
  formula: 'Input = 3600 · ft³ · (Btu/ft³) / s;  cfm = input · η / (1.08 ΔT °F)',
  basis: [
    standard('sensible heat of air, 1.08 Btu/h per cfm and °F'),
    practice('natural gas about 1,030 Btu/ft³, propane 2,500; the supplier’s figure counts'),
    practice('other gas appliances off while the meter is clocked'),
  ],
  input: z.strictObject({
    seconds: z.number().positive().max(3600).meta({ unit: 's', title: 'Time for one turn of the dial' }),
    dial: z.number().positive().max(1000).default(1).meta({ unit: 'ft³', title: 'Gas for one turn of the dial' }),
    heat: z.number().min(500).max(3500).default(1030).meta({ unit: 'Btu/ft³', title: 'Heating value of the gas' }),
    efficiency: ratio.positive().max(1).default(0.8).meta({ unit: '%', title: 'Efficiency on the nameplate' }),
    rise: airRise.meta({ unit: 'Δ°F', title: 'Temperature rise across the gas section' }),
    density: z.number().min(0.3).max(1.5).default(1).meta({ title: 'Density over standard' }),
  }),
  output: z.object({
    input: z.number().meta({ unit: 'Btu/h', title: 'Gas input' }),
    flow: cfm.meta({ unit: 'cfm', title: 'Air' }),
    unsure: ratio.meta({ unit: '%', title: 'Unsure, ±' }),
  }),
  example: { seconds: 26, dial: 1, heat: 1030, efficiency: 0.8, rise: 52 },
  compute(i) {
    const watts = gasInput(i.dial, i.seconds, i.heat)
    const { flow, unsure } = flowFromHeat(watts * i.efficiency, (i.rise * 5) / 9, i.density, 0.6, 0.05)
    return { input: watts / wattsOfBtuHour, flow: convert(flow, 'm3/s', 'cfm'), unsure }
  },
})
