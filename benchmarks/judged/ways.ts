import { todayOf, pastChanges, speedOptions, type DriveToday, type Goal } from '../../core/src/speed-change/index.ts'
import {
  assemblyFor,
  circuitOfPlate,
  explainUnbalance,
  operate,
  seeded,
  simulatedUnit,
  solveRig,
  unitPatterns,
  type Rig,
} from '../../core/src/machine/index.ts'
import { beltsCarry, driveAt, livesOf, sheavesAt, tensionAsked, unknownLayout } from '../../core/src/installed/index.ts'
import { findQuantity, quantities } from '../../core/src/quantity/index.ts'
import {
  blankMap,
  clockOf,
  likelyParts,
  minutesHere,
  moveStep,
  nearestFirst,
  planRoute,
  spanOf,
  travelMinutes,
  walkIn,
  type TravelArea,
} from '../../core/src/round/index.ts'
import { roundOf } from '../../core/src/round/round.test-help.ts'
import { anything } from '../truth/chaos.ts'
import { anyMachine } from '../truth/machines.ts'
import { Random } from '../truth/random.ts'
import { attempt } from './courses.ts'
import { figures } from './told.ts'

const plates = [
  { amps: 1.9, power: 1, rpm: 1740, efficiency: 0.8 },
  { amps: 12.8, power: 10, rpm: 1755, efficiency: 0.902 },
  { amps: 47, power: 40, rpm: 1770, efficiency: 0.941 },
] as const
const circuit = (i: number) => {
  const p = plates[i % plates.length] ?? plates[0]
  const found = circuitOfPlate(
    { ...p, volts: '460', amps: String(p.amps), phases: 3, hz: '60' },
    { volts: 460, amps: p.amps },
    60,
  )
  if (!found) throw new Error('a plate that gives a circuit')
  return { ...found, plate: p }
}

/** Fan assemblies with something wrong, as their meters read them. */
function assemblies(): string[] {
  const supplies = [
    { kind: 'three lines', lineVolts: [460, 460, 460] },
    { kind: 'three lines', lineVolts: [470, 455, 440] },
    { kind: 'line open', open: 1, volts: 460 },
  ] as const
  const wrong: readonly Partial<Rig>[] = [
    {},
    { faults: { restriction: 2 } },
    { faults: { wheel: 0.8 } },
    { faults: { backward: true } },
    { faults: { drag: 300 } },
    { faults: { beltOff: true } },
    { faults: { otherWheel: 1.1 } },
    { faults: { twin: 'running' } },
    { faults: { twin: 'off' } },
    { faults: { twin: 'off, shut by its damper' } },
    { faults: { leakage: 100 } },
    { stage: { kind: 'contactor', ohms: [0.01, 0.02, 0.8] } },
    { stage: { kind: 'transformer', ratio: [1, 1.2, 1.2] } },
    { stage: { kind: 'drive', hz: 45, limit: 100, dead: null } },
    { stage: { kind: 'drive', hz: 75, limit: 9, dead: null } },
    { stage: { kind: 'drive', hz: 45, limit: 100, dead: 2 } },
    { from: 'standstill' },
    { density: 0.85 },
  ]
  return (['forward-curved', 'backward-inclined', 'propeller'] as const).flatMap((wheel, i) => {
    const { circuit: c } = circuit(i)
    const rig = assemblyFor({
      circuit: c,
      volts: 460,
      hz: 60,
      load: 0.6 + 0.15 * i,
      belt: i === 2 ? null : { driver: 100, driven: 220 },
      wheel,
      fixed: 0.1 * i,
    })
    return supplies.flatMap((supply) =>
      wrong.map(
        (w) => `${wheel} ${figures([supply, w])}: ${figures(attempt(() => solveRig({ ...rig, supply, ...w })))}`,
      ),
    )
  })
}

/** The practice units, every pattern, every place a probe is put. */
function practice(): string[] {
  const machines = [
    {
      plate: { volts: '460', amps: '12.8', phases: 3, power: 10, hz: '60', rpm: 1755 },
      plateVolts: 460,
      plateAmps: 12.8,
      phases: 3,
      serviceVolts: 480,
      hz: 60,
      capacitorUf: null,
      transformer: { ratedIn: 480, ratedOut: 24 },
      load: 0.75,
    },
    {
      plate: { volts: '230', amps: '4', phases: 1, power: 0.5, hz: '60', rpm: 1075, capacitorUf: 7.5 },
      plateVolts: 230,
      plateAmps: 4,
      phases: 1,
      serviceVolts: 240,
      hz: 60,
      capacitorUf: 7.5,
      transformer: null,
      load: 0.8,
    },
  ] as const
  return machines.flatMap((m) =>
    unitPatterns.flatMap((pattern, i) => {
      const unit = simulatedUnit(m, pattern.id, 5 + i)
      const shown = quantities.map(
        (q) =>
          `${q.code} ${figures(q.positions.map((p) => attempt(() => [unit.read(q.code, p, 0.5), unit.read(q.code, p, 70)].map((s) => (s.over ? 'over' : s.value)))))}`,
      )
      return [
        `${pattern.id}, ${m.phases} phase: ${unit.rotation} ${String(unit.turning)}`,
        ...shown.map((s) => `  ${s}`),
      ]
    }),
  )
}

const today = (i: number): DriveToday => {
  const { circuit: c, plate } = circuit(i)
  const r = new Random(600 + i)
  const amps = plate.amps * r.between(0.5, 1)
  return {
    phases: 3,
    legs: [amps, amps * 1.01, amps * 0.985],
    volts: r.between(450, 490),
    hz: i % 4 === 3 ? 45 : 60,
    onDrive: i % 4 === 3,
    allowed: plate.amps,
    plateAmps: plate.amps,
    plateRpm: plate.rpm,
    circuit: i % 5 === 4 ? null : c,
    drive:
      i % 4 === 3 && i % 2 === 1 && i > 6
        ? null
        : {
            driver: 100,
            driven: 220,
            adjustable: i % 2 === 0 ? { closed: 110, perTurn: 5, most: 5, least: 0, step: 0.5, turns: 2 } : null,
            section: i % 3 === 2 ? null : i % 3 === 1 ? '5V' : 'B',
            belts: 1 + (i % 3),
            beltLength: i % 3 === 0 ? 1800 : null,
            center: i % 2 === 0 ? 620 : null,
            takeUp: i % 4 === 0 ? { least: 590, most: 650 } : null,
          },
    fanRpm: i % 2 === 0 ? 790 : null,
    wheel:
      i % 6 === 5
        ? null
        : {
            type: (['forward-curved', 'backward-inclined', 'propeller'] as const)[i % 3] ?? 'propeller',
            greatestRpm: i % 4 === 0 ? 900 : null,
          },
    flow: i % 2 === 0 ? 2.4 : null,
    pressure: i % 3 === 0 ? 350 : null,
    fixed: i % 4 === 1 ? 0.2 : 0,
    shaft:
      i % 2 === 0
        ? { overhang: 120, apart: 700, mass: 30, capacity: [25_000, 22_000], type: i % 4 === 0 ? 'ball' : 'roller' }
        : null,
    hours: 5000,
    price: 0.12,
    misses: i % 3 === 0 ? [0.02, 0.05, 0.03] : [],
  }
}

/** Changes of speed asked of fans as they were found. */
function speeds(): string[] {
  const goals: readonly (Goal | null)[] = [
    null,
    { kind: 'amps', value: 11 },
    { kind: 'rpm', value: 820 },
    { kind: 'rpm', value: 700 },
    { kind: 'flow', value: 2.1 },
    { kind: 'pressure', value: 300 },
  ]
  return Array.from({ length: 12 }, (_, i) => today(i)).flatMap((t, i) =>
    goals.flatMap((g) => {
      const answer = attempt(() => speedOptions(t, g))
      if (typeof answer !== 'object' || answer === null || !('options' in answer))
        return [`fan ${i} ${figures(g)}: ${figures(answer)}`]
      const a = answer as ReturnType<typeof speedOptions>
      return [`fan ${i} ${figures(g)}: now ${figures(a.now)}`, ...a.options.slice(0, 5).map((o) => `  ${figures(o)}`)]
    }),
  )
}

/** Plans of days, by seed, and a hand that moves one visit. */
function days(): string[] {
  return Array.from({ length: 12 }, (_, i) => {
    const p = roundOf(900 + i, 4 + i, 1 + (i % 3), {
      storm: i % 4 === 0 ? 700 : null,
      heat: i % 3 === 0 ? { from: 660, to: 780 } : null,
    })
    const urgent = { ...p, steps: p.steps.map((v, k) => (k % 4 === 1 ? { ...v, urgency: 2 } : v)) }
    const route = planRoute(urgent, seeded(i), 20)
    const moved = p.steps.slice(0, 7).map((v, k) =>
      attempt(() => {
        const walker = `w${k % p.walkers.length}`
        const { route: then, by } = moveStep(urgent, route, { step: v.id, walker, position: k % 5 })
        return [v.id, v.people, walker, then.order, then.left, by]
      }),
    )
    return `day ${i}: ${figures(route)}\n  nearest: ${figures(nearestFirst(urgent))}\n  moved: ${moved.map(figures).join('\n  moved: ')}`
  })
}

const roof = (id: string, over: Partial<TravelArea['map']>): TravelArea => ({
  id,
  siteId: id === 'far' ? 'other' : 'here',
  map: { ...blankMap, ...over },
})
/** Ways over roofs: round what stands there, by hatch, ladder and road. */
function walks(): string[] {
  const obstacles = [
    { id: 'o1', name: 'Curb', kind: 'obstacle', x: 10, y: 5, w: 6, h: 8 },
    { id: 'o2', name: 'Skylight', kind: 'keep-clear', x: 18, y: 0, w: 3, h: 12 },
  ] as const
  const areas = [
    roof('a', {
      obstacles,
      units: { u1: { x: 4, y: 8, w: 2, h: 2 }, u2: { x: 30, y: 4, w: 3, h: 2 } },
      hatches: [
        { id: 'h', name: 'Hatch', x: 1, y: 1 },
        { id: 'h2', name: 'Door', x: 39, y: 20 },
      ],
      ladders: [{ id: 'l', name: 'Ladder', x: 38, y: 12, to: 'b', height: 4 }],
    }),
    roof('b', {
      units: { u3: { x: 10, y: 10, w: 2, h: 2 } },
      hatches: [{ id: 'h', name: 'Hatch', x: 20, y: 20 }],
      ladders: [
        { id: 'up', name: 'Ladder up', x: 2, y: 2, to: 'c', height: 6 },
        { id: 'down', name: 'Ladder down', x: 9, y: 12, to: 'a', height: 4 },
        { id: 'other', name: 'Second ladder up', x: 30, y: 20, to: 'c', height: 3 },
      ],
    }),
    roof('c', { units: { u4: { x: 5, y: 5, w: 2, h: 2 } } }),
    roof('far', { units: { u5: { x: 5, y: 5, w: 2, h: 2 } }, hatches: [{ id: 'h', name: 'Hatch', x: 0, y: 0 }] }),
  ]
  const units = [
    ['a', 'u1'],
    ['a', 'u2'],
    ['b', 'u3'],
    ['c', 'u4'],
    ['far', 'u5'],
    ['a', 'not drawn'],
    ['a', 'nor this'],
  ].map(([area = '', unit = '']) => ({ area, unit }))
  const r = new Random(8)
  const spot = () => ({ x: r.below(40), y: r.below(24) })
  return [
    ...travelMinutes(areas, units).map(figures),
    figures(travelMinutes(areas, [])),
    ...Array.from({ length: 40 }, () => [spot(), spot()] as const).map(([a, b]) =>
      figures([a, b, walkIn({ obstacles }, a, b)]),
    ),
  ]
}

/** What is installed, at some instants, and how long things last. */
function installed(): string[] {
  return Array.from({ length: 40 }, (_, i) => {
    const r = new Random(700 + i)
    const input = anything(r)
    const layout = input.layout ?? unknownLayout
    const parts = input.parts ?? []
    const at = input.visit.at - r.below(1500) * 86_400_000
    const drive = attempt(() => driveAt(parts, input.work, layout, at)) as ReturnType<typeof driveAt>
    const lives = Array.from({ length: r.below(12) }, () => ({ days: 30 + r.below(2000), ended: r.chance(0.6) }))
    const kinds = parts.map((p) => ({
      slot: p.slot,
      ended: r.below(6),
      early: r.chance(0.8) ? 100 + r.below(900) : null,
    }))
    return figures([
      attempt(() => sheavesAt(parts, input.work, at)),
      drive,
      drive && attempt(() => tensionAsked(drive, 7457, 1755)),
      drive && attempt(() => beltsCarry(drive, 1755)),
      attempt(() => livesOf(lives)),
      likelyParts(parts, kinds, input.visit.at),
      attempt(() => todayOf(input)),
      attempt(() => pastChanges(input).map((c) => [c.was, c.predicted, c.measured])),
      minutesHere(
        20 + i,
        Array.from({ length: r.below(8) }, () => ({ planned: r.below(40), real: r.below(600) })),
      ),
    ])
  })
}

const oddments = (): string[] => [
  ...['7:00–9:30', '9:30-7:00', '7:60-8:00', '24:00-24:30', '0.15-0.45', 'x'].map((s) => `${s}: ${figures(spanOf(s))}`),
  clockOf(719.7),
  ...Array.from({ length: 20 }, (_, i) => {
    const m = anyMachine(new Random(40 + i))
    const { circuit: c } = circuit(i)
    const legs = [10, 10 + i * 0.1, 9.7] as const
    return figures([
      m.facts.phases,
      attempt(() => explainUnbalance(c, [460, 460 + i, 455], legs)),
      attempt(() => operate(c, { kind: 'three lines', lineVolts: [460, 450, 455] }, i / 15)),
    ])
  }),
  ...quantities.map((q) => figures(findQuantity(q.code))),
]

/** Everything that is worked out and not judged: assemblies, practice units, speeds, days, ways, parts. */
export function ways(): string {
  return [
    '## assemblies',
    ...assemblies(),
    '## practice',
    ...practice(),
    '## speeds',
    ...speeds(),
    '## days',
    ...days(),
    '## walks',
    ...walks(),
    '## installed',
    ...installed(),
    '## oddments',
    ...oddments(),
  ].join('\n')
}
