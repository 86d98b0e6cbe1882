import { checkDefinitions, type JudgeInput } from '../../core/src/judge/index.ts'
import { defaultPolicies } from '../../core/src/limits/index.ts'
import { beltSections } from '../../core/src/drivetrain/index.ts'
import { unknownLayout, type DriveLayout, type InstalledPart } from '../../core/src/installed/index.ts'
import type { Plate } from '../../core/src/plate/index.ts'
import { quantities, readingHows, type Reading } from '../../core/src/quantity/index.ts'
import { workKinds, type Answers, type Visit, type VisitState, type WorkDone } from '../../core/src/trend/index.ts'
import { anyMachine } from './machines.ts'
import type { Random } from './random.ts'

const some = <T>(r: Random, share: number, value: () => T): T | undefined => (r.chance(share) ? value() : undefined)

/** A value anybody may type into that cell: its ends, nothing at all, and anything between. */
const anyValue = (r: Random, [low, high]: readonly [number, number]): number =>
  r.one([
    low,
    high,
    Math.max(low, 0),
    Math.max(low, Math.min(high, 1)),
    r.between(low, high),
    Math.max(low, r.decades(1e-3, Math.max(high, 1e-2))),
  ])

function anyReadings(r: Random): Reading[] {
  const share = r.between(0.02, 0.5)
  return quantities.flatMap((q) => {
    if (!r.chance(share)) return []
    return q.positions.flatMap((position) => {
      if (!r.chance(0.8)) return []
      const how = r.chance(0.3) ? r.one(readingHows) : undefined
      return [
        {
          quantity: q.code,
          position,
          value: Math.min(Math.max(anyValue(r, q.range), q.range[0]), q.range[1]),
          ...(how === undefined ? {} : { how }),
          ...(how === 'unsteady' && r.chance(0.7) ? { spread: r.one([0, r.between(0, q.range[1])]) } : {}),
        },
      ]
    })
  })
}

const texts = [
  '460',
  '208-230/460',
  '230/460',
  '0',
  '115',
  '',
  '460 V',
  '12.8',
  '27.0-25.6/12.8',
  '1/2',
  '5-',
  'n/a',
  '9999',
  '0.1',
  '60/50',
  '50',
]
function anyPlate(r: Random): Plate {
  const text = () => some(r, 0.7, () => r.one(texts))
  const plate = {
    volts: text(),
    amps: text(),
    hz: text(),
    sfa: some(r, 0.3, () => r.one(texts)),
    power: some(r, 0.7, () => r.one([0.05, 1, 10, 500])),
    powerUnit: r.one(['hp', 'kW'] as const),
    phases: some(r, 0.7, () => r.one([1, 3] as const)),
    rpm: some(r, 0.7, () => r.one([100, 600, 1755, 1800, 3600, 7200])),
    sf: some(r, 0.5, () => r.one([1, 1.15, 2])),
    code: some(r, 0.5, () => r.one(['A', 'H', 'V', 'Z', ''])),
    design: some(r, 0.4, () => r.one(['A', 'B', 'C', 'D', 'X'])),
    insulationClass: some(r, 0.5, () => r.one(['A', 'B', 'F', 'H', '?'])),
    efficiency: some(r, 0.4, () => r.one([0.01, 0.5, 0.9, 1])),
    powerFactor: some(r, 0.4, () => r.one([0.01, 0.5, 0.82, 1])),
    capacitorUf: some(r, 0.4, () => r.one([0.1, 7.5, 1000])),
    capacitorVolts: some(r, 0.4, () => r.one([1, 370, 440])),
    rotation: some(r, 0.4, () => r.one(['clockwise', 'counter-clockwise', 'either'] as const)),
  }
  return Object.fromEntries(Object.entries(plate).filter(([, v]) => v !== undefined))
}

const anyState = (r: Random): VisitState => ({
  settled: r.one([true, false, null]),
  mode: r.one(['normal', 'test', 'warm-up', 'purge', 'low speed', null]),
  filters: r.one(['clean', 'dirty', 'out', null]),
  panels: r.one(['on', 'off', null]),
  twin: r.one(['running', 'off', 'none', null]),
  turning: r.one(['right way', 'backwards', 'not turning', null]),
})

function anyAnswers(r: Random, machine: JudgeInput['machine']): Answers {
  const share = r.between(0, 0.6)
  const pairs = checkDefinitions
    .filter((c) => c.for(machine))
    .flatMap((c) => c.groups(machine).flatMap((g) => g.asks))
    .flatMap((ask): readonly (readonly [string, string])[] => {
      if (ask.kind === 'reading' || !r.chance(share)) return []
      return [[ask.id, ask.kind === 'text' ? r.one(['', '17', 'Okonjo']) : (r.one(ask.options)[0] ?? '')]]
    })
  return Object.fromEntries(pairs)
}

const dayMs = 86_400_000
/** Millimetres, from nothing worth the name to a building. */
const anyLength = (r: Random): number => r.one([0.001, 20_000, r.decades(1, 2000), r.decades(50, 600)])
const known = <T>(r: Random, value: () => T): T | null => some(r, 0.6, value) ?? null

function anyParts(r: Random, now: number): InstalledPart[] {
  const section = r.one(beltSections).id
  const most = r.one([1, 6, 12])
  const perTurn = r.one([0.01, 5, 50])
  const bearing = {
    mark: '',
    type: r.one(['ball', 'roller'] as const),
    bore: known(r, () => anyLength(r)),
    outside: known(r, () => anyLength(r)),
    width: known(r, () => anyLength(r)),
    capacity: known(r, () => r.decades(1, 1e7)),
    lock: null,
    greasable: null,
  }
  const specs: readonly Pick<InstalledPart, 'slot' | 'spec'>[] = [
    r.chance(0.5)
      ? { slot: 'motor-sheave', spec: { type: 'fixed', section, pitch: anyLength(r), grooves: 1 } }
      : {
          slot: 'motor-sheave',
          spec: {
            type: 'adjustable',
            section,
            closed: perTurn * most + anyLength(r),
            perTurn,
            most,
            least: 0.5,
            step: 0.5,
            grooves: 1,
            turns: r.between(0, most),
          },
        },
    { slot: 'driven-sheave', spec: { type: 'fixed', section, pitch: anyLength(r), grooves: r.one([1, 12]) } },
    {
      slot: 'belts',
      spec: {
        section: r.one([section, section, r.one(beltSections).id]),
        number: r.one([0.01, 20_000, r.decades(5, 300)]),
        count: r.one([1, 2, 16]),
      },
    },
    { slot: 'bearing-de', spec: bearing },
    { slot: 'bearing-ode', spec: bearing },
    {
      slot: 'shaft',
      spec: {
        diameter: anyLength(r),
        key: known(r, () => anyLength(r)),
        overhang: known(r, () => anyLength(r)),
        apart: known(r, () => anyLength(r)),
      },
    },
    {
      slot: 'wheel',
      spec: {
        type: r.one(['forward-curved', 'backward-inclined', 'propeller'] as const),
        wheels: r.one([1, 2] as const),
        diameter: known(r, () => anyLength(r)),
        greatestRpm: known(r, () => r.decades(1, 20_000)),
        blades: known(r, () => 1 + r.below(200)),
        mass: known(r, () => r.decades(0.01, 10_000)),
        clips: known(r, () => r.below(200)),
      },
    },
  ]
  return specs
    .filter(() => r.chance(0.8))
    .map((p) => ({ ...p, installedAt: now - r.below(2000) * dayMs, removedAt: null }) as InstalledPart)
}
const anyLayout = (r: Random): DriveLayout => ({
  ...unknownLayout,
  center: known(r, () => anyLength(r)),
  mounting: r.one(['rigid', 'flexible', null]),
})
let count = 0
const anyVisit = (r: Random, machine: JudgeInput['machine'], at: number): Visit => ({
  id: `any-${String((count += 1))}`,
  at,
  state: anyState(r),
  readings: anyReadings(r),
  answers: anyAnswers(r, machine),
})

/** Whatever the pages and the interface let through, sense or none. */
export function anything(r: Random): JudgeInput {
  const base = anyMachine(r).facts
  const machine: JudgeInput['machine'] = {
    ...base,
    serviceVolts: r.one([120, 208, 240, 400, 480, 600, 1, 1000]),
    serviceHz: r.one([50, 60, null]),
    hasVfd: r.chance(0.4),
    hasTwin: r.chance(0.4),
    controls: {
      starter: r.one(['contactor', 'starter', 'none', null]),
      poles: r.one([1, 2, 3, null]),
      overload: r.one(['relay', 'internal', 'electronic', 'none', null]),
      protection: null,
      protectionAmps: r.one([null, 0.1, 15, 600]),
      controlVolts: r.one([null, 1, 24, 120]),
      transformer: r.one([null, { ratedIn: 480, ratedOut: 240 }, { ratedIn: 1, ratedOut: 1000 }]),
      gasSection: r.chance(0.5),
      phaseMonitor: r.chance(0.5),
      capacitor: r.one([
        null,
        { run: 7.5, second: null, volts: null, tolerance: null },
        { run: 40, second: 5, volts: 440, tolerance: 0.06 },
      ]),
    },
    unitPlate: r.one([null, { volts: r.one(texts), amps: r.one(texts) }]),
  }
  const now = Date.UTC(2026, 0, 5)
  const work: WorkDone[] = Array.from({ length: r.below(4) }, () => ({
    at: now - r.below(900) * dayMs,
    kind: r.one(workKinds).id,
    note: '',
  }))
  return {
    machine,
    motor: r.chance(0.2) ? null : { plate: anyPlate(r), connectionVolts: r.one([null, 230, 460, 1]), installedAt: 0 },
    visit: anyVisit(r, machine, now),
    history: Array.from({ length: r.below(10) }, () => anyVisit(r, machine, now - r.below(900) * dayMs)),
    work,
    policies: { ...defaultPolicies, overAmp: r.one(['plate', 'service factor', 'trim below plate']) },
    twins: r.one<JudgeInput['twins']>([undefined, [], [{ tag: 'SF-2', load: r.one([0, 0.7, 5]), at: now }]]),
    parts: some(r, 0.7, () => anyParts(r, now)),
    layout: some(r, 0.6, () => anyLayout(r)),
    peers: r.one<JudgeInput['peers']>([undefined, [], [0, 0.5, 0.9, 1.2, 0.7, 0.8]]),
  }
}
