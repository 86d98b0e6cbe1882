import { z } from 'zod'
import { loadByLine, loadByRatio, loadByRoot } from '../electrical/index.ts'
import { practice, standard } from '../limits/index.ts'
import { balancedAt, circuitOfPlate, loadByCircuit } from '../machine/index.ts'
import { calculator, type Curve } from './calculator.ts'
import { amperes, hertz, horsepower, hpOf, known, meanOf, ratio, rpm, volts } from './fields.ts'

interface Plated {
  readonly plateAmps: number
  readonly plateVolts: number
  readonly hp?: number | undefined
  readonly plateRpm?: number | undefined
  readonly efficiency?: number | undefined
  readonly hz?: number | undefined
}

/** The circuit of what was given of the plate; null without a power. */
const circuitOf = (i: Plated) =>
  i.hp === undefined
    ? null
    : circuitOfPlate(
        {
          power: i.hp,
          phases: 3,
          ...(i.plateRpm === undefined ? {} : { rpm: i.plateRpm }),
          ...(i.efficiency === undefined ? {} : { efficiency: i.efficiency }),
        },
        { volts: i.plateVolts, amps: i.plateAmps },
        i.hz ?? 60,
      )

export const loadFromAmpsCalc = calculator({
  id: 'load-from-amps',
  title: 'Shaft load from amps: by the motor’s circuit and by three rules',
  group: 'load',
  formula:
    'ratio (I / In)(V / Vn);  root √[(I² − I0²) / (In² − I0²)];  line (2I − I0) / (2In − I0);  circuit: solved for I',
  basis: [
    standard('the form printed in public motor-load guides (ratio)'),
    practice('square root and straight line, with the no-load current known'),
    standard('equivalent circuit estimated from the plate'),
  ],
  fill: (m) =>
    known({
      amps: meanOf(m.lineAmps),
      plateAmps: m.plateAmps,
      volts: meanOf(m.lineVolts),
      plateVolts: m.columnVolts,
      hp: m.phases === 3 ? hpOf(m) : null,
      plateRpm: m.plate?.rpm,
      efficiency: m.plate?.efficiency,
      hz: m.hz,
    }),
  input: z.strictObject({
    amps: amperes,
    plateAmps: amperes.positive(),
    noLoadAmps: amperes.optional().meta({ unit: 'A', title: 'No-load amps, measured' }),
    volts,
    plateVolts: volts,
    hp: horsepower.optional().meta({ unit: 'hp', title: 'Plate power, for the circuit' }),
    plateRpm: rpm.optional().meta({ unit: 'rpm', title: 'Plate speed' }),
    efficiency: ratio.min(0.2).max(0.99).optional().meta({ unit: '%', title: 'Plate efficiency' }),
    hz: hertz.optional(),
  }),
  output: z.object({
    byCircuit: ratio
      .nullable()
      .meta({ unit: '%', title: 'By the motor’s circuit', none: 'no power given, or at no load' }),
    byRatio: ratio.nullable().meta({ unit: '%', title: 'By amps over plate' }),
    byRoot: ratio.nullable().meta({ unit: '%', title: 'By the root', none: 'no-load amps not given, or at no load' }),
    byLine: ratio.nullable().meta({ unit: '%', title: 'By the straight line', none: 'no-load amps not given' }),
    note: z.string().nullable(),
  }),
  example: {
    amps: 9.6,
    plateAmps: 12.8,
    noLoadAmps: 5.4,
    volts: 472,
    plateVolts: 460,
    hp: 10,
    plateRpm: 1755,
    efficiency: 0.902,
  },
  compute(i) {
    const root = i.noLoadAmps === undefined ? null : loadByRoot(i.amps, i.plateAmps, i.noLoadAmps).load
    const made = circuitOf(i)
    return {
      byCircuit: made ? loadByCircuit(made.circuit, i.amps, i.volts, i.hz ?? 60) : null,
      byRatio: loadByRatio(i.amps, i.plateAmps, i.volts, i.plateVolts).load,
      byRoot: root,
      byLine: i.noLoadAmps === undefined ? null : loadByLine(i.amps, i.plateAmps, i.noLoadAmps).load,
      note:
        i.noLoadAmps !== undefined && root === null
          ? 'At or below the no-load current.'
          : i.amps > 1.3 * i.plateAmps
            ? 'Far over the plate: no load can be told from these amps.'
            : i.amps < 0.6 * i.plateAmps
              ? 'The ratio overstates the load down here.'
              : null,
    }
  },
  curve(i): Curve {
    const made = circuitOf(i)
    const steps = Array.from({ length: 40 }, (_, k) => (0.3 + k * 0.025) * i.plateAmps)
    const ratioLine = steps.map((a) => [a, loadByRatio(a, i.plateAmps, i.volts, i.plateVolts).load ?? 0] as const)
    const circuitLine = made
      ? steps.flatMap((a) => {
          const load = loadByCircuit(made.circuit, a, i.volts, i.hz ?? 60)
          return load === null ? [] : [[a, load] as const]
        })
      : []
    const here = made ? loadByCircuit(made.circuit, i.amps, i.volts, i.hz ?? 60) : null
    return {
      x: { title: 'Amps', unit: 'A' },
      y: { title: 'Shaft load', unit: '%' },
      lines: [
        { name: 'amps over plate', points: ratioLine },
        ...(made ? [{ name: 'motor circuit', points: circuitLine }] : []),
      ],
      marks: here === null ? [] : [{ name: 'here', x: i.amps, y: here }],
    }
  },
})

export const motorAtLoadCalc = calculator({
  id: 'motor-at-load',
  title: 'A motor at a load and a supply, by its circuit',
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
    assumed: z.array(z.string()).meta({ title: 'Assumed from ordinary motors' }),
  }),
  example: { hp: 10, plateVolts: 460, plateAmps: 12.8, plateRpm: 1755, efficiency: 0.902, volts: 460, slip: 0.025 },
  compute(i) {
    const made = circuitOf(i)
    if (!made)
      throw new RangeError('plateAmps contradicts power, volts, speed and efficiency: no circuit gives this plate')
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
