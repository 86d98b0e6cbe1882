import { z } from 'zod'
import { ampsAtSpeed } from '../../air/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { calculator, type Curve } from '../calculator.ts'
import { amperes, known, meanOf, ratio, rpm } from '../fields.ts'

export const ampsAtSpeedCalc = calculator({
  id: 'amps-at-speed',
  title: 'Amps at another fan speed',
  group: 'load',
  formula: 'load = √[(I² − I0²)/(In² − I0²)];  load2 = load1 (n2/n1)³;  I2 = √[I0² + load2² (In² − I0²)]',
  basis: [
    standard('fan laws, magnetizing current separated'),
    practice('no-load amps 0.3 to 0.5 of plate where not measured'),
  ],
  fill: (m) => known({ amps: meanOf(m.lineAmps), plateAmps: m.plateAmps }),
  input: z.strictObject({
    amps: amperes.positive().meta({ unit: 'A', title: 'Amps now' }),
    plateAmps: amperes.positive().meta({ unit: 'A', title: 'Plate amps' }),
    noLoad: amperes.meta({ unit: 'A', title: 'No-load amps' }),
    rpm: rpm.meta({ unit: 'rpm', title: 'Fan speed now' }),
    then: rpm.meta({ unit: 'rpm', title: 'Fan speed after' }),
  }),
  output: z.object({
    amps: z.number().meta({ unit: 'A', title: 'Amps after' }),
    load: ratio.meta({ unit: '%', title: 'Shaft load after' }),
    full: z.number().meta({ unit: 'rpm', title: 'Motor fully loaded at' }),
    cubed: z.number().meta({ unit: 'A', title: 'By cubing the amps (wrong)' }),
  }),
  example: { amps: 10, plateAmps: 12.8, noLoad: 5.4, rpm: 900, then: 1000 },
  compute(i) {
    const a = ampsAtSpeed(i.amps, i.plateAmps, i.noLoad, i.then / i.rpm)
    return { amps: a.amps, load: a.after, full: i.rpm * a.toFull, cubed: a.cubed }
  },
  curve(i): Curve {
    const speeds = Array.from({ length: 31 }, (_, k) => i.rpm * (0.7 + k * 0.02))
    const at = (n: number) => ampsAtSpeed(i.amps, i.plateAmps, i.noLoad, n / i.rpm)
    return {
      x: { title: 'Fan speed', unit: 'rpm' },
      y: { title: 'Amps', unit: 'A' },
      lines: [
        { name: 'amps', points: speeds.map((n) => [n, at(n).amps] as const) },
        { name: 'amps cubed, wrong', points: speeds.map((n) => [n, at(n).cubed] as const) },
        { name: 'plate', points: speeds.map((n) => [n, i.plateAmps] as const) },
      ],
      marks: [
        { name: 'now', x: i.rpm, y: i.amps },
        { name: 'then', x: i.then, y: at(i.then).amps },
      ],
    }
  },
})
