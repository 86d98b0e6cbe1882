import { circuitOf } from '../plated.ts'
import { z } from 'zod'
import { practice, standard } from '../../limits/index.ts'
import { balancedAt } from '../../machine/index.ts'
import { calculator, type Curve } from '../calculator.ts'
import { amperes, hertz, horsepower, hpOf, known, meanOf, ratio, rpm, volts } from '../fields.ts'

export const motorAtLoadCalc = calculator({
  id: 'motor-at-load',
  title: 'Motor at a given load and supply',
  group: 'load',
  formula: 'Z = R1 + jX1 + [jXm ‖ Rc ‖ (R2/s + jX2)];  the slip at which torque meets the fan’s',
  basis: [standard('equivalent circuit of the polyphase induction machine'), practice('loss split of the estimate')],
  fill: (m) =>
    known({
      hp: m.phases === 3 ? hpOf(m) : null,
      plateVolts: m.columnVolts,
      plateAmps: m.plateAmps,
      plateRpm: m.plate?.rpm,
      efficiency: m.plate?.efficiency,
      hz: m.hz,
      volts: meanOf(m.lineVolts),
    }),
  input: z.strictObject({
    hp: horsepower,
    plateVolts: volts,
    plateAmps: amperes.positive(),
    plateRpm: rpm.optional(),
    efficiency: ratio.min(0.2).max(0.99).optional(),
    hz: hertz.optional(),
    volts,
    slip: ratio.positive().max(1).meta({ unit: '%', title: 'Slip' }),
  }),
  output: z.object({
    amps: amperes,
    rpm: z.number().meta({ unit: 'rpm' }),
    load: ratio.meta({ unit: '%', title: 'Shaft load' }),
    powerFactor: z.number().meta({ title: 'Power factor' }),
    efficiency: ratio,
    inputKilowatts: z.number().meta({ unit: 'kW', title: 'Input' }),
    assumed: z.array(z.string()).meta({ title: 'Assumed from typical motors' }),
  }),
  example: { hp: 10, plateVolts: 460, plateAmps: 12.8, plateRpm: 1755, efficiency: 0.902, volts: 460, slip: 0.025 },
  compute(i) {
    const made = circuitOf(i)
    if (!made)
      throw new RangeError('plateAmps contradicts power, volts, speed and efficiency: no motor fits this nameplate')
    const p = balancedAt(made.circuit, i.slip, i.volts, i.hz ?? 60)
    return {
      amps: p.amps,
      rpm: p.rpm,
      load: p.shaftWatts / made.circuit.watts,
      powerFactor: p.powerFactor,
      efficiency: Math.max(0, p.efficiency),
      inputKilowatts: p.inputWatts / 1000,
      assumed: [...made.assumed],
    }
  },
  curve(i): Curve | null {
    const made = circuitOf(i)
    if (!made) return null
    const points = Array.from({ length: 60 }, (_, k) =>
      balancedAt(made.circuit, 0.001 + k * 0.001, i.volts, i.hz ?? 60),
    )
    const here = balancedAt(made.circuit, i.slip, i.volts, i.hz ?? 60)
    return {
      x: { title: 'Shaft load', unit: '%' },
      y: { title: 'Amps', unit: 'A' },
      lines: [
        {
          name: 'amps',
          points: points
            .filter((p) => p.shaftWatts >= 0 && p.shaftWatts < 1.6 * made.circuit.watts)
            .map((p) => [p.shaftWatts / made.circuit.watts, p.amps] as const),
        },
      ],
      marks: [{ name: 'here', x: here.shaftWatts / made.circuit.watts, y: here.amps }],
    }
  },
})
