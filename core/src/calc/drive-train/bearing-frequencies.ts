import { z } from 'zod'
import { bearingMultiples } from '../../drivetrain/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { rpm } from '../fields.ts'

const size = z.number().positive().max(1000)
const tone = z.number()

export const bearingFrequenciesCalc = calculator({
  id: 'bearing-frequencies',
  title: 'Bearing defect frequencies',
  group: 'vibration',
  formula:
    'outer = N/2 (1 − γ) fr;  inner = N/2 (1 + γ) fr;  ball, twice its spin = D/d (1 − γ²) fr;  cage = ½ (1 − γ) fr;  γ = d cos φ/D, fr = n/60',
  basis: [standard('kinematics of a rolling bearing')],
  input: z.strictObject({
    balls: z.number().int().min(3).max(60).meta({ title: 'Balls' }),
    ball: size.meta({ title: 'Ball diameter' }),
    pitch: size.meta({ title: 'Pitch diameter, same unit' }),
    angle: z.number().min(0).max(60).default(0).meta({ unit: '°', title: 'Contact angle' }),
    rpm,
  }),
  output: z.object({
    outer: tone.meta({ unit: 'Hz', title: 'Outer race' }),
    inner: tone.meta({ unit: 'Hz', title: 'Inner race' }),
    ballTone: tone.meta({ unit: 'Hz', title: 'Ball, twice its spin' }),
    cage: tone.meta({ unit: 'Hz', title: 'Cage' }),
  }),
  example: { balls: 9, ball: 0.3126, pitch: 1.537, angle: 0, rpm: 1797 },
  compute(i) {
    const m = bearingMultiples(i.balls, i.ball, i.pitch, i.angle)
    const turns = i.rpm / 60
    return { outer: m.outer * turns, inner: m.inner * turns, ballTone: 2 * m.ball * turns, cage: m.cage * turns }
  },
})
