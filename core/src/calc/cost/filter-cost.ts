import { z } from 'zod'
import { pressureKilowatts } from '../../energy/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { cfm, inchesWater, ratio } from '../fields.ts'

const share = ratio.positive().max(1)

export const filterCostCalc = calculator({
  id: 'filter-cost',
  title: 'Energy cost of a loaded filter',
  group: 'energy',
  formula: 'kW = cfm · Δp · 0.7457/(6356 η fan η belt η motor)',
  basis: [standard('air power')],
  input: z.strictObject({
    flow: cfm.positive().meta({ unit: 'cfm', title: 'Air' }),
    pressure: inchesWater.positive().meta({ unit: 'in wg', title: 'Pressure drop above clean filters' }),
    fan: share.default(0.6).meta({ unit: '%', title: 'Efficiency of the fan' }),
    belt: share.default(0.95).meta({ unit: '%', title: 'Efficiency of the belt' }),
    motor: share.default(0.9).meta({ unit: '%', title: 'Efficiency of the motor' }),
    hours: z.number().min(0).max(8784).meta({ unit: 'h', title: 'Hours a year' }),
    price: z.number().nonnegative().max(1000).meta({ unit: '$/kWh', title: 'Price' }),
  }),
  output: z.object({
    kilowatts: z.number().meta({ unit: 'kW', title: 'Extra power' }),
    yearly: z.number().meta({ unit: '$', title: 'Cost a year' }),
  }),
  example: { flow: 6000, pressure: 0.4, fan: 0.6, belt: 0.95, motor: 0.9, hours: 4200, price: 0.14 },
  compute(i) {
    const kilowatts = pressureKilowatts(i.flow, i.pressure, i.fan * i.belt * i.motor)
    return { kilowatts, yearly: kilowatts * i.hours * i.price }
  },
})
