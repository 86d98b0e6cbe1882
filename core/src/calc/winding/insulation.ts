import { z } from 'zod'
import { insulationFactor, insulationFloor, insulationTestVolts } from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { calculator, type Curve } from '../calculator.ts'
import { celsius, known, volts, megohms } from '../fields.ts'

const system = z.enum(['thermosetting', 'thermoplastic'])

const policyChoice = z.enum(['random-wound 5', 'kV plus 1', 'form-wound 100', 'lamp 30'])

export const insulationCalc = calculator({
  id: 'insulation',
  title: 'Insulation at 40 °C against the minimum',
  group: 'insulation',
  formula:
    'thermosetting K = exp[−4230 (1/(t+273) − 1/313)] above, 1245 below 40 °C;  thermoplastic K = 0.5^((40 − t)/10)',
  basis: [standard('IEEE 43'), standard('constants of the correction', 'from memory'), practice('the 30 MΩ lamp')],
  fill: (m) => known({ ratedVolts: m.columnVolts ?? m.serviceVolts }),
  input: z.strictObject({
    megohms: megohms.meta({ unit: 'MΩ', title: 'After one minute' }),
    celsius: celsius.meta({ unit: '°C', title: 'Winding at' }),
    ratedVolts: volts.meta({ unit: 'V', title: 'Rated line volts' }),
    system: system.default('thermosetting'),
    policyChoice: policyChoice.default('random-wound 5'),
  }),
  output: z.object({
    at40: megohms.nullable().meta({ unit: 'MΩ', title: 'At 40 °C', none: 'not corrected below 10 °C or above 85 °C' }),
    floor: megohms.meta({ unit: 'MΩ', title: 'Floor' }),
    enough: z.boolean().nullable().meta({ title: 'Above the minimum' }),
    testVolts: z.tuple([z.number(), z.number()]).meta({ unit: 'V', title: 'Test voltage, from and to' }),
  }),
  example: { megohms: 9, celsius: 25, ratedVolts: 460 },
  compute(i) {
    const factor = insulationFactor(i.celsius, i.system)
    const floor = insulationFloor(i.policyChoice, i.ratedVolts)
    const at40 = factor === null ? null : i.megohms * factor
    const [low, high] = insulationTestVolts(i.ratedVolts)
    return { at40, floor, enough: at40 === null ? null : at40 >= floor, testVolts: [low, high] as [number, number] }
  },
  curve(i): Curve {
    const at = (kind: 'thermosetting' | 'thermoplastic') =>
      Array.from({ length: 16 }, (_, k) => 10 + k * 5).flatMap((t) => {
        const k = insulationFactor(t, kind)
        return k === null ? [] : [[t, k] as const]
      })
    const here = insulationFactor(i.celsius, i.system)
    return {
      x: { title: 'Winding', unit: '°C' },
      y: { title: 'Factor to 40 °C', unit: '' },
      log: true,
      lines: [
        { name: 'thermosetting', points: at('thermosetting') },
        { name: 'thermoplastic', points: at('thermoplastic') },
      ],
      marks: here === null ? [] : [{ name: 'here', x: i.celsius, y: here }],
    }
  },
})
