import { z } from 'zod'
import { absorption, insulationFactor, insulationFloor, insulationTestVolts } from '../electrical/index.ts'
import { practice, standard } from '../limits/index.ts'
import { calculator, type Curve } from './calculator.ts'
import { celsius, known, volts } from './fields.ts'

const megohms = z.number().nonnegative().max(1e6).meta({ unit: 'MΩ' })
const system = z.enum(['thermosetting', 'thermoplastic'])
const school = z.enum(['random-wound 5', 'kV plus 1', 'form-wound 100', 'lamp 30'])

export const insulationCalc = calculator({
  id: 'insulation',
  title: 'Insulation at 40 °C against its floor',
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
    school: school.default('random-wound 5'),
  }),
  output: z.object({
    at40: megohms.nullable().meta({ unit: 'MΩ', title: 'At 40 °C', none: 'not corrected below 10 or above 85 °C' }),
    floor: megohms.meta({ unit: 'MΩ', title: 'Floor' }),
    enough: z.boolean().nullable().meta({ title: 'Above the floor' }),
    testVolts: z.tuple([z.number(), z.number()]).meta({ unit: 'V', title: 'Test voltage, from and to' }),
  }),
  example: { megohms: 9, celsius: 25, ratedVolts: 460 },
  compute(i) {
    const factor = insulationFactor(i.celsius, i.system)
    const floor = insulationFloor(i.school, i.ratedVolts)
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

export const polarisationCalc = calculator({
  id: 'polarisation',
  title: 'DAR and polarisation index',
  group: 'insulation',
  formula: 'DAR = R(60 s) / R(30 s);  PI = R(10 min) / R(1 min);  both at one temperature, not corrected',
  basis: [standard('IEEE 43'), practice('words for DAR')],
  input: z.strictObject({
    at30s: megohms.optional().meta({ unit: 'MΩ', title: 'At 30 s' }),
    at1min: megohms.meta({ unit: 'MΩ', title: 'At 1 min' }),
    at10min: megohms.optional().meta({ unit: 'MΩ', title: 'At 10 min' }),
  }),
  output: z.object({
    dar: z.number().nullable().meta({ title: 'DAR', none: 'not to be told' }),
    pi: z.number().nullable().meta({ title: 'PI', none: 'not to be told' }),
    note: z.string().nullable(),
  }),
  example: { at30s: 240, at1min: 310, at10min: 780 },
  compute(i) {
    const point = (m: number) => ({ megohms: m, over: false })
    const one = point(i.at1min)
    const dar = i.at30s === undefined ? null : absorption(point(i.at30s), one, i.at1min)
    const pi = i.at10min === undefined ? null : absorption(one, point(i.at10min), i.at1min)
    const clear = i.at1min > 5000
    return {
      dar: dar?.kind === 'ratio' ? dar.ratio : null,
      pi: pi?.kind === 'ratio' ? pi.ratio : null,
      note: clear
        ? 'Above 5000 MΩ the ratios mean nothing.'
        : 'A small random-wound motor absorbs little: do not fail it on PI alone.',
    }
  },
})
