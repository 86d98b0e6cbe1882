import { z } from 'zod'
import { systemThrough, type Fan } from '../../air/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { solveRig, type Rig } from '../../machine/index.ts'
import { convert, mean } from '../../quantity/index.ts'
import { calculator, type Curve } from '../calculator.ts'
import {
  amperes,
  cfm,
  hertz,
  horsepower,
  hpOf,
  inches,
  inchesWater,
  known,
  meanOf,
  ratio,
  rpm,
  volts,
} from '../fields.ts'
import { circuitOf } from '../plated.ts'

const input = z.strictObject({
  hp: horsepower.meta({ unit: 'hp', title: 'Plate power' }),
  plateVolts: volts.meta({ unit: 'V', title: 'Plate volts' }),
  plateAmps: amperes.positive().meta({ unit: 'A', title: 'Plate amps' }),
  plateRpm: rpm.meta({ unit: 'rpm', title: 'Plate speed' }),
  hz: hertz.default(60).meta({ unit: 'Hz', title: 'Supply' }),
  volts: volts.meta({ unit: 'V', title: 'Volts at the motor' }),
  driver: inches.meta({ unit: 'in', title: 'Motor sheave, pitch diameter' }),
  driven: inches.meta({ unit: 'in', title: 'Fan sheave, pitch diameter' }),
  wheel: z.enum(['forward-curved', 'backward-inclined', 'propeller']).meta({ title: 'Wheel' }),
  fanRpm: rpm.meta({ unit: 'rpm', title: 'Fan duty point: speed' }),
  flow: cfm.positive().meta({ unit: 'cfm', title: 'Fan duty point: airflow' }),
  pressure: inchesWater.positive().meta({ unit: 'in wg', title: 'Fan duty point: static pressure' }),
  power: horsepower.meta({ unit: 'hp', title: 'Fan duty point: shaft power' }),
  thenDriver: inches.optional().meta({ unit: 'in', title: 'What if: motor sheave' }),
  restriction: ratio.min(0.05).max(20).default(1).meta({ unit: '%', title: 'What if: duct resistance, % of present' }),
  dirt: ratio.min(0).max(0.6).default(0).meta({ unit: '%', title: 'What if: loss from dirt on the wheel' }),
})
type Input = z.output<typeof input>

/** The assembly of an input; null where its plate gives no circuit. */
function rigOf(i: Input): Rig | null {
  const made = circuitOf(i)
  if (!made) return null
  const fan: Fan = {
    wheel: i.wheel,
    rpm: i.fanRpm,
    flow: convert(i.flow, 'cfm', 'm3/s'),
    pressure: convert(i.pressure, 'inwg', 'Pa'),
    power: convert(i.power, 'hp', 'W'),
  }
  return {
    circuit: made.circuit,
    supply: { kind: 'three lines', lineVolts: [i.volts, i.volts, i.volts] },
    hz: i.hz,
    // A belt at its right tension carries half as much again as the motor gives.
    belt: { driver: i.driver, driven: i.driven, carries: 1.5 * made.circuit.watts },
    fan,
    system: systemThrough(fan.flow, fan.pressure),
    density: 1,
  }
}

const told = (rig: Rig) => {
  const p = solveRig(rig)
  return {
    amps: mean(p.motor.lineAmps),
    fanRpm: p.fanRpm,
    flow: convert(p.flow, 'm3/s', 'cfm'),
    pressure: convert(p.pressure, 'Pa', 'inwg'),
    load: p.motor.load,
  }
}

const then = (i: Input, rig: Rig): Rig => ({
  ...rig,
  belt: rig.belt && { ...rig.belt, driver: i.thenDriver ?? i.driver },
  faults: { restriction: i.restriction, wheel: 1 - i.dirt },
})

export const fanAssemblyCalc = calculator({
  id: 'fan-assembly',
  title: 'Fan assembly: effect of sheave, filter or dirt',
  group: 'air',
  formula: 'motor circuit → belt → fan laws on the wheel’s curve → p = k Q², solved together',
  basis: [
    standard('equivalent circuit estimated from the plate'),
    standard('fan laws'),
    practice('typical wheel curves, belt at correct tension'),
  ],
  fill: (m) =>
    m.phases === 3
      ? known({
          hp: hpOf(m),
          plateVolts: m.columnVolts,
          plateAmps: m.plateAmps,
          plateRpm: m.plate?.rpm,
          hz: m.hz,
          volts: meanOf(m.lineVolts),
        })
      : {},
  input,
  output: z.object({
    ampsNow: z.number().meta({ unit: 'A', title: 'Amps now' }),
    ampsThen: z.number().meta({ unit: 'A', title: 'Amps after' }),
    loadThen: ratio.meta({ unit: '%', title: 'Motor load after' }),
    fanNow: z.number().meta({ unit: 'rpm', title: 'Fan speed now' }),
    fanThen: z.number().meta({ unit: 'rpm', title: 'Fan speed after' }),
    flowNow: cfm.meta({ unit: 'cfm', title: 'Airflow now' }),
    flowThen: cfm.meta({ unit: 'cfm', title: 'Airflow after' }),
    pressureThen: inchesWater.meta({ unit: 'in wg', title: 'Static pressure after' }),
  }),
  example: {
    hp: 10,
    plateVolts: 460,
    plateAmps: 12.8,
    plateRpm: 1755,
    hz: 60,
    volts: 472,
    driver: 4.8,
    driven: 9.4,
    wheel: 'forward-curved',
    fanRpm: 900,
    flow: 11000,
    pressure: 2.5,
    power: 8,
    restriction: 1.6,
  },
  compute(i) {
    const rig = rigOf(i)
    if (!rig) throw new RangeError('plateRpm and power of this plate give no motor')
    const a = told(rig)
    const b = told(then(i, rig))
    return {
      ampsNow: a.amps,
      ampsThen: b.amps,
      loadThen: b.load,
      fanNow: a.fanRpm,
      fanThen: b.fanRpm,
      flowNow: a.flow,
      flowThen: b.flow,
      pressureThen: b.pressure,
    }
  },
  curve(i): Curve | null {
    const rig = rigOf(i)
    if (!rig) return null
    const points = Array.from({ length: 17 }, (_, k) => i.driver * (0.8 + k * 0.025)).map(
      (driver) => [driver, told({ ...then(i, rig), belt: rig.belt && { ...rig.belt, driver } }).amps] as const,
    )
    return {
      x: { title: 'Motor sheave', unit: 'in' },
      y: { title: 'Amps', unit: 'A' },
      lines: [
        { name: 'amps after', points },
        { name: 'plate', points: points.map(([d]) => [d, i.plateAmps] as const) },
      ],
      marks: [{ name: 'now', x: i.driver, y: told(rig).amps }],
    }
  },
})
