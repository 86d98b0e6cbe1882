import { z } from 'zod'
import { motorKilowatts, paybackYears } from '../../energy/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { horsepower, hpOf, known, ratio, rpm } from '../fields.ts'

const share = ratio.positive().max(1)
const money = z.number().nonnegative().max(1e9)

export const energyCostCalc = calculator({
  id: 'energy-cost',
  title: 'Energy cost of a motor, and savings',
  group: 'energy',
  formula: 'kW = hp · 0.7457 · load/η;  cost = kW · h · price;  a slower fan takes (n2/n1)³ of it',
  basis: [standard('definition'), standard('fan laws with duct pressure proportional to flow squared')],
  fill: (m) => known({ hp: hpOf(m), efficiency: m.plate?.efficiency }),
  input: z.strictObject({
    hp: horsepower.meta({ unit: 'hp', title: 'Motor power' }),
    load: ratio.positive().max(1.5).meta({ unit: '%', title: 'Load' }),
    efficiency: share.meta({ unit: '%', title: 'Efficiency' }),
    hours: z.number().min(0).max(8784).meta({ unit: 'h', title: 'Hours a year' }),
    price: money.meta({ unit: '$/kWh', title: 'Price' }),
    better: share.optional().meta({ unit: '%', title: 'Efficiency of a better motor' }),
    cost: money.optional().meta({ unit: '$', title: 'Extra cost of the better motor' }),
    fanRpm: rpm.optional().meta({ unit: 'rpm', title: 'Fan speed now' }),
    neededRpm: rpm.optional().meta({ unit: 'rpm', title: 'Fan speed needed' }),
  }),
  output: z.object({
    kilowatts: z.number().meta({ unit: 'kW', title: 'Taken' }),
    energy: z.number().meta({ unit: 'kWh', title: 'A year' }),
    yearly: money.meta({ unit: '$', title: 'Cost a year' }),
    saved: z.number().nullable().meta({ unit: '$', title: 'Better motor saves a year', none: 'not entered' }),
    payback: z.number().nullable().meta({ unit: 'years', title: 'Payback', none: 'no payback at this price' }),
    slower: z.number().nullable().meta({ unit: '$', title: 'Slower fan saves a year', none: 'speeds not entered' }),
  }),
  example: {
    hp: 10,
    load: 0.75,
    efficiency: 0.885,
    hours: 4200,
    price: 0.14,
    better: 0.917,
    cost: 310,
    fanRpm: 960,
    neededRpm: 880,
  },
  compute(i) {
    const kilowatts = motorKilowatts(i.hp, i.load, i.efficiency)
    const energy = kilowatts * i.hours
    const yearly = energy * i.price
    const saved =
      i.better === undefined ? null : (kilowatts - motorKilowatts(i.hp, i.load, i.better)) * i.hours * i.price
    if (i.fanRpm !== undefined && i.neededRpm !== undefined && i.neededRpm > i.fanRpm)
      throw new RangeError('neededRpm must not be above the fan speed now')
    return {
      kilowatts,
      energy,
      yearly,
      saved,
      payback: saved === null || i.cost === undefined ? null : paybackYears(i.cost, saved),
      slower: i.fanRpm === undefined || i.neededRpm === undefined ? null : yearly * (1 - (i.neededRpm / i.fanRpm) ** 3),
    }
  },
})
