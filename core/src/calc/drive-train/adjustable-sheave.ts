import { z } from 'zod'
import { ampsAtSpeed } from '../../air/index.ts'
import { drivenRpm, pitchAtTurns, settable, settings, type AdjustableSheave } from '../../drivetrain/index.ts'
import { practice } from '../../limits/index.ts'
import { calculator, type Curve } from '../calculator.ts'
import { amperes, inches, known, meanOf, rpm } from '../fields.ts'

const input = z.strictObject({
  closed: inches.meta({ unit: 'in', title: 'Pitch diameter, closed' }),
  perTurn: inches.default(0.2).meta({ unit: 'in', title: 'Pitch diameter change per turn' }),
  most: z.number().min(1).max(12).default(5).meta({ unit: 'turns', title: 'Most turns open' }),
  least: z.number().min(0).max(3).default(0.5).meta({ unit: 'turns', title: 'Fewest turns open' }),
  turns: z.number().min(0).max(12).meta({ unit: 'turns', title: 'Turns open now' }),
  to: z.number().min(0).max(12).meta({ unit: 'turns', title: 'Turns open after' }),
  motorRpm: rpm.meta({ unit: 'rpm', title: 'Motor speed' }),
  driven: inches.meta({ unit: 'in', title: 'Fan sheave, pitch diameter' }),
  amps: amperes.positive().optional().meta({ unit: 'A', title: 'Amps now' }),
  plateAmps: amperes.positive().optional().meta({ unit: 'A', title: 'Plate amps' }),
  noLoad: amperes.positive().optional().meta({ unit: 'A', title: 'No-load amps' }),
})
type Input = z.output<typeof input>

const sheaveOf = (i: Input): AdjustableSheave => ({
  closed: i.closed,
  perTurn: i.perTurn,
  most: i.most,
  least: i.least,
  step: 0.5,
})

/** Amps with the sheave at other turns; null where amps, plate or no-load amps are not given. */
function ampsAt(i: Input, turns: number): number | null {
  if (i.amps === undefined || i.plateAmps === undefined || i.noLoad === undefined) return null
  const sheave = sheaveOf(i)
  const speed = pitchAtTurns(sheave, turns) / pitchAtTurns(sheave, i.turns)
  return ampsAtSpeed(i.amps, i.plateAmps, i.noLoad, speed).amps
}

export const adjustableSheaveCalc = calculator({
  id: 'adjustable-sheave',
  title: 'What a turn of the motor sheave does',
  group: 'drive train',
  formula: 'd = d closed − turns · Δd;  n2 = n1 d / D;  load ∝ n2³ on an unchanged duct',
  basis: [
    practice('0.2 in a turn on A and B grooves, set in half turns, never fully closed; the maker’s table governs'),
    practice('re-tension with the motor base after each change, then read the amps'),
  ],
  fill: (m) => known({ motorRpm: m.plate?.rpm, amps: meanOf(m.lineAmps), plateAmps: m.plateAmps }),
  input,
  output: z.object({
    pitch: z.number().meta({ unit: 'in', title: 'Pitch diameter after' }),
    fanRpm: z.number().meta({ unit: 'rpm', title: 'Fan speed now' }),
    thenRpm: z.number().meta({ unit: 'rpm', title: 'Fan speed after' }),
    flow: z.number().meta({ unit: '%', title: 'Airflow after, of present' }),
    power: z.number().meta({ unit: '%', title: 'Shaft power after, of present' }),
    amps: z
      .number()
      .nullable()
      .meta({ unit: 'A', title: 'Amps after', none: 'amps, nameplate and no-load amps not entered' }),
    may: z
      .enum(['yes', 'no: over the nameplate', 'no: not on a flat, or outside its turns'])
      .meta({ title: 'Allowed' }),
  }),
  example: {
    closed: 3.8,
    perTurn: 0.2,
    most: 5,
    least: 0.5,
    turns: 2.5,
    to: 3,
    motorRpm: 1750,
    driven: 7,
    amps: 13.4,
    plateAmps: 12.8,
    noLoad: 5.4,
  },
  compute(i) {
    const sheave = sheaveOf(i)
    const now = pitchAtTurns(sheave, i.turns)
    const then = pitchAtTurns(sheave, i.to)
    const amps = ampsAt(i, i.to)
    return {
      pitch: then,
      fanRpm: drivenRpm(i.motorRpm, now, i.driven),
      thenRpm: drivenRpm(i.motorRpm, then, i.driven),
      flow: then / now,
      power: (then / now) ** 3,
      amps,
      may: !settable(sheave, i.to)
        ? ('no: not on a flat, or outside its turns' as const)
        : amps !== null && i.plateAmps !== undefined && amps > i.plateAmps
          ? ('no: over the nameplate' as const)
          : ('yes' as const),
    }
  },
  curve(i): Curve | null {
    const points = settings(sheaveOf(i)).flatMap((t) => {
      const amps = ampsAt(i, t)
      return amps === null ? [] : [[t, amps] as const]
    })
    if (points.length < 2 || i.plateAmps === undefined) return null
    const then = ampsAt(i, i.to)
    return {
      x: { title: 'Turns open', unit: 'turns' },
      y: { title: 'Amps', unit: 'A' },
      lines: [
        { name: 'amps', points },
        { name: 'plate', points: points.map(([t]) => [t, i.plateAmps ?? 0] as const) },
      ],
      marks: [
        ...(i.amps === undefined ? [] : [{ name: 'now', x: i.turns, y: i.amps }]),
        ...(then === null ? [] : [{ name: 'then', x: i.to, y: then }]),
      ],
    }
  },
})
