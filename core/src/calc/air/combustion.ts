import { z } from 'zod'
import { combustion, usualOxygen } from '../../air/index.ts'
import { limitRegister, practice, standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { ratio } from '../fields.ts'

const degrees = z.number().min(-60).max(2000)
/** Carbon monoxide, air-free: look into it above the first, never above the second, ppm. */
const look = limitRegister['flue-co-look'].value
const never = limitRegister['flue-co-most'].value

export const combustionCalc = calculator({
  id: 'combustion',
  title: 'Combustion test of a gas section',
  group: 'air',
  formula:
    'CO air-free = CO · 20.9/(20.9 − O2);  excess air = 0.9 O2/(20.9 − O2);  loss = ΔT (A/(21 − O2) + B), ΔT in °C',
  basis: [
    standard('ANSI Z21.47: 400 ppm CO, air-free'),
    standard('constants of the fuels', 'from memory'),
    practice('over 100 ppm air-free investigate; the unit’s label and instructions govern; licensed gas work'),
  ],
  input: z.strictObject({
    fuel: z.enum(['natural gas', 'propane']).default('natural gas').meta({ title: 'Fuel' }),
    co: z.number().min(0).max(20000).meta({ unit: 'ppm', title: 'Carbon monoxide, as read' }),
    oxygen: z.number().min(0).max(21).meta({ unit: '% O2', title: 'Oxygen in the flue' }),
    flue: degrees.optional().meta({ unit: '°F', title: 'Flue gas' }),
    air: degrees.optional().meta({ unit: '°F', title: 'Combustion air' }),
  }),
  output: z.object({
    airFree: z.number().meta({ unit: 'ppm', title: 'Carbon monoxide, air-free' }),
    co2: ratio.meta({ unit: '%', title: 'Carbon dioxide' }),
    excessAir: ratio.meta({ unit: '%', title: 'Excess air' }),
    loss: ratio.nullable().meta({ unit: '%', title: 'Flue loss, net', none: 'no temperatures given' }),
    efficiency: ratio.nullable().meta({ unit: '%', title: 'Efficiency, net', none: 'no temperatures given' }),
    says: z
      .enum([
        'within limits',
        'oxygen is outside the usual 6 to 9 %: out of range, unless the appliance says otherwise',
        'over 100 ppm air-free: find the cause before leaving it in service',
        'over 400 ppm air-free: shut the burner down and lock it out',
      ])
      .meta({ title: 'Result' }),
  }),
  example: { fuel: 'natural gas', co: 28, oxygen: 7.5, flue: 415, air: 68 },
  compute(i) {
    if ((i.flue === undefined) !== (i.air === undefined))
      throw new RangeError(`${i.flue === undefined ? 'flue' : 'air'} is needed with the other temperature`)
    const net = i.flue === undefined || i.air === undefined ? null : ((i.flue - i.air) * 5) / 9
    if (net !== null && net <= 0) throw new RangeError('flue must be hotter than the combustion air')
    const c = combustion(i.fuel, i.co, i.oxygen, net)
    return {
      ...c,
      efficiency: c.loss === null ? null : 1 - c.loss,
      says:
        c.airFree > never
          ? ('over 400 ppm air-free: shut the burner down and lock it out' as const)
          : c.airFree > look
            ? ('over 100 ppm air-free: find the cause before leaving it in service' as const)
            : i.oxygen < usualOxygen.low || i.oxygen > usualOxygen.high
              ? ('oxygen is outside the usual 6 to 9 %: out of range, unless the appliance says otherwise' as const)
              : ('within limits' as const),
    }
  },
})
