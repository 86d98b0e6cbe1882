import { contextOf } from '../../judge/index.ts'
import { seeded, solveRig, type Random, type Rig } from '../../machine/index.ts'
import { legPositions, linePositions, type QuantityCode, type Reading } from '../../quantity/index.ts'
import { unsaid, type Answers, type Visit } from '../../trend/index.ts'
import { resultsOf } from '../evidence/of-visit.ts'
import type { Result } from '../knowledge/cause.ts'
import type { Test } from '../knowledge/test.ts'
import { tests } from '../knowledge/tests/register.ts'
import { controlFaults, saidByString, soundString, transformerReadings } from './control.ts'
import { notAtRest, restFaults, restReadings, soundAtRest } from './at-rest.ts'
import type { ByModel } from './by-model.ts'
import { faults, type Faulted } from './faults.ts'
import { soundMachine, type Sound } from './machines.ts'

export const modelSeed = 20261129
/** Machines drawn for each cause. */
export const modelDraws = 300

/** What physics decides of the tests of the page. */
const decided = {
  running: ['amps', 'load', 'trend', 'static', 'line-volts', 'load-volts', 'pole-drop'],
  'at rest': ['ohms3', 'ohms-far', 'gnd-ohms', 'megs'],
  called: ['half-split', 'ctl-volts'],
} as const satisfies Readonly<Record<string, readonly string[]>>

/** Error of a meter, a fraction: clamp and volts from visit to visit, tachometer, gauge. @source common practice */
const errors: Partial<Readonly<Record<QuantityCode, number>>> = {
  amps: 0.012,
  volts_ll: 0.005,
  line_ll: 0.005,
  rpm: 0.002,
  static_pressure: 0.03,
  contact_drop: 0.05,
}
const inchesOfWater = 249.08891
const dayMs = 86_400_000

function running(f: Faulted, random: Random): Reading[] {
  const point = solveRig(f.rig)
  const read = (quantity: QuantityCode, positions: readonly string[], values: readonly number[]): Reading[] =>
    positions.map((position, i) => ({
      quantity,
      position,
      value: Math.max(0, (values[i] ?? 0) * (1 + (errors[quantity] ?? 0) * random.normal())),
    }))
  const turning = point.motor.turning
  return [
    ...read('line_ll', linePositions, f.line),
    ...read('volts_ll', linePositions, point.motor.terminalVolts),
    ...read('amps', legPositions, point.motor.lineAmps),
    ...read('rpm', ['motor'], [point.motor.rpm]),
    ...(turning ? read('static_pressure', ['supply'], [point.pressure / inchesOfWater]) : []),
    ...read('contact_drop', legPositions, f.pole === undefined ? point.drop : [f.pole, point.drop[1], point.drop[2]]),
  ]
}

const visitOf = (i: number, readings: readonly Reading[], answers: Answers = {}): Visit => ({
  id: `visit-${i}`,
  at: (1 + i * 60) * dayMs,
  state: { ...unsaid, settled: true, turning: 'right way' },
  readings,
  answers,
})

/** What the readings of a machine with a fault say, after six of it sound; nothing where the model carries no such machine. */
function saidRunning(sound: Sound, f: Faulted, random: Random): readonly Result[] {
  const even: Faulted['line'] = [sound.volts, sound.volts, sound.volts]
  const poles: Rig = { ...sound.rig, stage: { kind: 'contactor', ohms: [0.004, 0.004, 0.004] } }
  const before = { rig: poles, line: even }
  const now: Faulted = {
    ...f,
    rig: f.rig.stage ? f.rig : { ...f.rig, stage: { kind: 'contactor', ohms: [0.004, 0.004, 0.004] } },
  }
  try {
    const history = Array.from({ length: 6 }, (_, i) => visitOf(i, running(before, random)))
    return resultsOf(contextOf({ ...sound.input, visit: visitOf(6, running(now, random)), history }))
  } catch (e) {
    if (e instanceof RangeError) return []
    throw e
  }
}

/** What is read with its power off, at the motor and from where it is switched; half of the motors were read once before. */
function saidAtRest(sound: Sound, make: (typeof restFaults)[string] | undefined, random: Random): readonly Result[] {
  const good = soundAtRest(sound, random)
  const motor = make ? make(good, random) : good
  const history = random.next() < 0.5 ? [visitOf(0, restReadings(good, 'motor', random))] : []
  const at = (readings: readonly Reading[], answers: Answers) =>
    resultsOf(contextOf({ ...sound.input, visit: visitOf(6, readings, answers), history }))
  return [
    ...at(restReadings(motor, 'motor', random), {}),
    ...at(restReadings(motor, 'far end', random), { 'ohms.place': 'contactor' }),
  ]
}

/** What its control string and its transformer say while it is called for. */
function saidCalled(sound: Sound, make: (typeof controlFaults)[string], random: Random): readonly Result[] {
  const called = make(soundString(random, sound.input.machine.serviceVolts), random)
  const machine = {
    ...sound.input.machine,
    controls: { ...sound.input.machine.controls, controlVolts: called.rated },
  }
  const visit = visitOf(6, transformerReadings(called, random), { 'control.tap': String(called.tap) })
  return [...saidByString(called, random), ...resultsOf(contextOf({ ...sound.input, machine, visit, history: [] }))]
}

const outcomesOf = (test: Test, counts: ReadonlyMap<string, number>): number[] => {
  const n = [...counts.values()].reduce((a, b) => a + b, 0)
  // Nothing is impossible that was only not drawn.
  const share = test.outcomes.map((o) => ((counts.get(o.id) ?? 0) + 1) / (n + test.outcomes.length))
  return share.map((p) => Number(p.toFixed(4)))
}

/** Every cause that the model carries, running, at rest or in its control string. */
export const modelled: readonly string[] = [
  ...new Set([...Object.keys(faults), ...Object.keys(restFaults), ...Object.keys(controlFaults)]),
]

/** A cause has the same machines, whichever are asked for with it. */
const seedOf = (cause: string): number =>
  modelSeed + [...cause].reduce((a, c) => (a * 31 + (c.codePointAt(0) ?? 0)) % 1_000_003, 7)

/**
 * How likely each cause of the model shows each outcome: machines, severities and meter error drawn at random.
 * @param causes which; left out, all that the model carries
 * @returns tests that fewer than a tenth of the draws could be read in are left out
 * @source the machine model of `core/machine`
 */
export function likelihoodsByModel(causes: readonly string[] = modelled, draws = modelDraws): ByModel {
  const out: Record<string, Record<string, readonly number[]>> = {}
  for (const cause of causes) {
    if (!modelled.includes(cause)) throw new RangeError(`causes: the model does not carry ${cause}`)
    const make = faults[cause]
    const inString = controlFaults[cause]
    const [random, resting, calling] = [seeded(seedOf(cause)), seeded(seedOf(cause) + 1), seeded(seedOf(cause) + 2)]
    const counts = new Map<string, Map<string, number>>()
    for (let i = 0; i < draws; i++) {
      const sound = soundMachine(random)
      const said = [
        ...(make ? saidRunning(sound, make(sound, random), random) : []).filter(([t]) => isOne(decided.running, t)),
        ...(notAtRest.includes(cause) ? [] : saidAtRest(sound, restFaults[cause], resting)).filter(([t]) =>
          isOne(decided['at rest'], t),
        ),
        ...(inString ? saidCalled(sound, inString, calling) : []).filter(([t]) => isOne(decided.called, t)),
      ]
      for (const [test, outcome] of said) {
        const own = counts.get(test) ?? new Map<string, number>()
        own.set(outcome, (own.get(outcome) ?? 0) + 1)
        counts.set(test, own)
      }
    }
    for (const test of tests) {
      const own = counts.get(test.id)
      const n = [...(own?.values() ?? [])].reduce((a, b) => a + b, 0)
      if (own && n >= draws / 10) (out[test.id] ??= {})[cause] = outcomesOf(test, own)
    }
  }
  return out
}

const isOne = (list: readonly string[], x: string): boolean => list.includes(x)
