import { predict } from '../../core/src/speed-change/index.ts'
import { assemblyFor, circuitOfPlate, solveRig } from '../../core/src/machine/index.ts'
import { mean } from '../../core/src/quantity/index.ts'
import { Random } from './random.ts'

/** How often the amps after a change of speed lay in the range that was said, of all changes and of the hard ones. */
export interface SpeedScore {
  readonly changes: number
  readonly inside: number
  /** Motors at less than three quarters of their plate. */
  readonly lightly: { readonly changes: number; readonly inside: number }
  /** Changes of more than 15 %. */
  readonly far: { readonly changes: number; readonly inside: number }
}

const plates = [
  { amps: 1.9, power: 1, rpm: 1740, efficiency: 0.8 },
  { amps: 3.4, power: 2, rpm: 1740, efficiency: 0.84 },
  { amps: 6.6, power: 5, rpm: 1750, efficiency: 0.895 },
  { amps: 12.8, power: 10, rpm: 1755, efficiency: 0.902 },
  { amps: 24, power: 20, rpm: 1765, efficiency: 0.93 },
  { amps: 47, power: 40, rpm: 1770, efficiency: 0.941 },
] as const

const circuitOf = (plate: { amps: number; power: number; rpm: number; efficiency: number }) =>
  circuitOfPlate(
    {
      volts: '460',
      amps: String(plate.amps),
      phases: 3,
      power: plate.power,
      hz: '60',
      rpm: plate.rpm,
      efficiency: plate.efficiency,
    },
    { volts: 460, amps: plate.amps },
    60,
  )

/** One change of a sheave on a machine that is not quite its plate, read twice with meters that are not quite right. */
function change(r: Random): { inside: boolean; lightly: boolean; far: boolean } | null {
  const plate = r.one(plates)
  const known = circuitOf(plate)
  const own = circuitOf({
    ...plate,
    amps: plate.amps * (1 + r.normal(0.03)),
    rpm: 1800 - (1800 - plate.rpm) * r.between(0.85, 1.2),
    efficiency: plate.efficiency * (1 + r.normal(0.012)),
  })
  if (!known || !own) return null
  const belt = { driver: r.between(80, 160), driven: r.between(160, 360) }
  const wheel = r.one(['forward-curved', 'backward-inclined', 'propeller'] as const)
  const volts = r.between(450, 490)
  const fixed = r.chance(0.4) ? r.between(0, 0.3) : 0
  const rig = assemblyFor({ circuit: own.circuit, volts, hz: 60, load: r.between(0.25, 1), belt, wheel, fixed })
  const gain = 1 + r.normal(0.01)
  const read = (amps: readonly number[]) => amps.map((a) => a * gain * (1 + r.normal(0.015)))
  const legs = read(solveRig(rig).motor.lineAmps)
  const to = belt.driver * Math.exp(r.between(Math.log(0.7), Math.log(1.3)))
  const said = predict(
    {
      phases: 3,
      legs,
      volts: volts * (1 + r.normal(0.01)),
      hz: 60,
      onDrive: false,
      allowed: plate.amps,
      plateAmps: plate.amps,
      plateRpm: plate.rpm,
      circuit: known.circuit,
      drive: {
        driver: belt.driver * (1 + r.normal(0.004)),
        driven: belt.driven * (1 + r.normal(0.004)),
        adjustable: null,
        section: 'B',
        belts: 1,
        beltLength: null,
        center: null,
        takeUp: null,
      },
      fanRpm: null,
      wheel: { type: wheel, greatestRpm: null },
      flow: null,
      pressure: null,
      fixed: 0,
      shaft: null,
      hours: 5000,
      price: 0,
      misses: [],
    },
    { kind: 'motor sheave', pitch: to },
  )
  const later = volts * (1 + r.normal(0.012))
  const after = solveRig({
    ...rig,
    supply: { kind: 'three lines', lineVolts: [later, later, later] },
    density: 1 + r.normal(0.03),
    belt: rig.belt && { ...rig.belt, driver: to * (1 + r.normal(0.004)) },
  })
  const measured = mean(read(after.motor.lineAmps))
  return {
    inside: measured >= said.low && measured <= said.high,
    lightly: mean(legs) < 0.75 * plate.amps,
    far: Math.abs(Math.log(to / belt.driver)) > 0.15,
  }
}

/** Many changes of speed, each compared with the range that was said of it. A motor that cannot carry one says so and is left out. */
export function speedTruth(changes: number, seed: number): SpeedScore {
  const r = new Random(seed)
  const all: NonNullable<ReturnType<typeof change>>[] = []
  while (all.length < changes) {
    try {
      const one = change(r)
      if (one) all.push(one)
    } catch (e) {
      if (!(e instanceof RangeError)) throw e
    }
  }
  const of = (list: typeof all) => ({ changes: list.length, inside: list.filter((c) => c.inside).length })
  return { ...of(all), lightly: of(all.filter((c) => c.lightly)), far: of(all.filter((c) => c.far)) }
}
