import { stockSheaves } from '@motor-round/core/speed-change'
import { beltLength, centerFromLength, nearestBelt, pitchAtTurns } from '@motor-round/core/drivetrain'
import {
  beltsCarry,
  beltService,
  type AdjustableSheaveSpec,
  type DriveLayout,
  type FixedSheave,
  type PartIn,
  type PartSpecs,
} from '@motor-round/core/installed'
import type { Random } from '@motor-round/core/machine'
import type { MachineSpec } from './places.ts'

const inch = 25.4
const half = (v: number) => Math.round(v * 2) / 2

/** Insert bearings by the bore they take: outside, width, capacity in newtons. */
const inserts: readonly (readonly [mark: string, bore: number, outside: number, width: number, capacity: number])[] = [
  ['205', 25.4, 52, 34, 14_000],
  ['206', 30, 62, 38, 19_500],
  ['207', 35, 72, 43, 25_700],
  ['208', 40, 80, 49, 29_600],
  ['210', 50, 90, 52, 35_000],
]

/** The belt drive, wheel and shaft of a machine as it was built. */
export interface DriveTrain {
  readonly layout: DriveLayout
  /** What was in each slot first. */
  readonly first: readonly PartIn[]
  readonly sheave: PartSpecs['motor-sheave']
  readonly driven: FixedSheave
  readonly wheel: PartSpecs['wheel']
  /** Turns open when the record began; null for a fixed sheave. */
  readonly turns: number | null
  readonly pressure: number
}

export const wheelTypeOf = (spec: MachineSpec): PartSpecs['wheel']['type'] =>
  spec.drive === 'direct' || spec.kind === 'condenser'
    ? 'propeller'
    : spec.kind === 'EF'
      ? 'backward-inclined'
      : 'forward-curved'

/** The wheel of a machine, as its plate on the housing would tell it. */
function wheelOf(spec: MachineSpec, fanRpm: number, story: string | undefined): PartSpecs['wheel'] {
  const type = wheelTypeOf(spec)
  const size = Math.sqrt(Math.max(0.5, spec.size))
  const limit = story === 'wheel-too-fast' ? fanRpm * 0.985 : fanRpm * (type === 'propeller' ? 1.1 : 1.28)
  return {
    type,
    wheels: type === 'forward-curved' && spec.size >= 7.5 ? 2 : 1,
    diameter: Math.round((type === 'forward-curved' ? 190 : 250) * size ** 0.9),
    greatestRpm: Math.round(limit / 10) * 10,
    blades: type === 'forward-curved' ? 42 : type === 'propeller' ? 4 : 10,
    mass: Math.round(5 + 4.5 * spec.size),
    clips: type === 'forward-curved' ? 3 : 0,
  }
}

/** What a machine's drive train is made of. Ordinary sizes; the fan turns slower the bigger it is. */
export function driveTrainOf(
  spec: MachineSpec,
  service: number,
  motorRpm: number,
  story: string | undefined,
  random: Random,
): DriveTrain {
  const metric = service === 400
  const section = metric ? (spec.size >= 4 ? 'SPA' : 'SPZ') : spec.size >= 3 ? 'B' : 'A'
  const wanted = (metric ? 1150 : 1250) * Math.max(0.55, Math.max(1, spec.size) ** -0.2)
  const adjustable = !metric && spec.size < 15
  const closed = (section === 'A' ? (spec.size >= 1.5 ? 4.6 : 3.6) : spec.size >= 7.5 ? 6.8 : 6.2) * inch
  const turns = adjustable ? half(random.between(1.5, 3.5)) : null
  const flats = { closed, perTurn: 0.2 * inch, most: section === 'A' ? 5 : 6, least: 0.5, step: 0.5 as const }
  const driver = turns === null ? (metric ? 112 : 7.4 * inch) : pitchAtTurns(flats, turns)
  const ideal = (driver * motorRpm) / wanted
  const stock = [...stockSheaves(section)].sort((a, b) => Math.abs(a - ideal) - Math.abs(b - ideal))
  const large = stock[0] ?? ideal
  const about = Math.max(large * 1.35, driver + large) * random.between(1, 1.15)
  const belt = nearestBelt(section, beltLength(driver, large, about))
  const center = Math.round(centerFromLength(driver, large, belt.length) * 10) / 10
  const single = { driver, driven: large, adjustable: null, section, belts: 1, takeUp: null, center }
  const one = beltsCarry({ ...single, beltLength: belt.length }, motorRpm)
  // As many as carry the motor with something to spare; of sections nobody rated, as is usual.
  const grooves = one === null ? (spec.size >= 15 ? 2 : 1) : Math.ceil((beltService * spec.size * 745.7) / one)
  const sheave: FixedSheave | AdjustableSheaveSpec =
    turns === null
      ? { type: 'fixed', section, pitch: driver, grooves }
      : { type: 'adjustable', section, ...flats, grooves, turns }
  const driven: FixedSheave = { type: 'fixed', section, pitch: large, grooves }
  const fanRpm = (motorRpm * driver) / large
  const wheel = wheelOf(spec, fanRpm, story)
  const step = spec.size < 2 ? 0 : spec.size < 5 ? 1 : spec.size < 10 ? 2 : spec.size < 15 ? 3 : 4
  const [mark, bore, outside, width, capacity] = inserts[step] ?? ['205', 25.4, 52, 34, 14_000]
  const lock = random.next() < 0.5 ? 'eccentric collar' : 'set screws'
  const bearing: PartSpecs['bearing-de'] = {
    mark: `insert ${mark}`,
    type: 'ball',
    bore,
    outside,
    width,
    capacity,
    lock,
    greasable: random.next() < 0.8,
  }
  const belts: PartSpecs['belts'] = { section, number: belt.number, count: grooves }
  return {
    layout: {
      center,
      takeUp: { least: Math.round(center - 22), most: Math.round(center + 26) },
      rotation: random.next() < 0.5 ? 'clockwise' : 'counter-clockwise',
      seenFrom: 'drive end',
      mounting: spec.kind === 'EF' ? 'rigid' : 'flexible',
      air: null,
      outsideShare: spec.kind === 'AHU' || spec.kind === 'RTU' ? Math.round(random.between(8, 20)) / 100 : null,
    },
    first: [
      { slot: 'motor-sheave', spec: sheave },
      { slot: 'driven-sheave', spec: driven },
      { slot: 'belts', spec: belts },
      { slot: 'bearing-de', spec: bearing },
      { slot: 'bearing-ode', spec: bearing },
      {
        slot: 'shaft',
        spec: { diameter: bore, key: bore < 30 ? 6.35 : 9.5, overhang: 80, apart: 420 + 20 * spec.size },
      },
      { slot: 'wheel', spec: wheel },
      ...(spec.kind === 'EF'
        ? []
        : [
            {
              slot: 'filters',
              spec: { count: Math.max(1, Math.round(spec.size * 0.8)), size: '20 × 20 × 2 in' },
            } as const,
          ]),
    ],
    sheave,
    driven,
    wheel,
    turns,
    pressure: Math.round(spec.kind === 'EF' ? random.between(150, 350) : random.between(480, 820)),
  }
}
