import { circuitOf } from '../plated.ts'
import { z } from 'zod'
import { loadByLine, loadByRatio, loadByRoot } from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { loadByCircuit } from '../../machine/index.ts'
import { calculator, type Curve } from '../calculator.ts'
import { amperes, hertz, horsepower, hpOf, known, meanOf, ratio, rpm, volts } from '../fields.ts'

export const loadFromAmpsCalc = calculator({
  id: 'load-from-amps',
  title: 'Shaft load from amps',
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
    hp: horsepower.optional().meta({ unit: 'hp', title: 'Nameplate power' }),
    plateRpm: rpm.optional().meta({ unit: 'rpm', title: 'Plate speed' }),
    efficiency: ratio.min(0.2).max(0.99).optional().meta({ unit: '%', title: 'Plate efficiency' }),
    hz: hertz.optional(),
  }),
  output: z.object({
    byCircuit: ratio.nullable().meta({ unit: '%', title: 'By motor model', none: 'power not entered, or at no load' }),
    byRatio: ratio.nullable().meta({ unit: '%', title: 'By amps over nameplate' }),
    byRoot: ratio
      .nullable()
      .meta({ unit: '%', title: 'By square root', none: 'no-load amps not entered, or at no load' }),
    byLine: ratio.nullable().meta({ unit: '%', title: 'By straight line', none: 'no-load amps not entered' }),
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
            ? 'Far over the nameplate: load cannot be calculated from these amps.'
            : i.amps < 0.6 * i.plateAmps
              ? 'The ratio overstates the load at low load.'
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
