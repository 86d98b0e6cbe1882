import { contextOf } from '../../judge/index.ts'
import { seeded, solveRig, type Random, type Rig } from '../../machine/index.ts'
import { legPositions, linePositions, type QuantityCode, type Reading } from '../../quantity/index.ts'
import { unsaid, type Visit } from '../../trend/index.ts'
import { resultsOf } from '../evidence/of-visit.ts'
import type { Test } from '../knowledge/test.ts'
import { tests } from '../knowledge/tests/register.ts'
import type { ByModel } from './by-model.ts'
import { faults, type Faulted } from './faults.ts'
import { soundMachine, type Sound } from './machines.ts'

export const modelSeed = 20261129
/** Machines drawn for each cause. */
export const modelDraws = 300

/** What physics decides of the tests of the page. */
const decided: readonly string[] = ['amps', 'load', 'trend', 'static', 'line-volts', 'load-volts', 'pole-drop']

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

function readings(f: Faulted, random: Random): Reading[] {
  const point = solveRig(f.rig)
  const read = (quantity: QuantityCode, positions: readonly string[], values: readonly number[]): Reading[] =>
    positions.map((position, i) => ({
      quantity,
      position,
      value: Math.max(0, (values[i] ?? 0) * (1 + (errors[quantity] ?? 0) * random.normal())),
    }))
  const running = point.motor.turning
  return [
    ...read('line_ll', linePositions, f.line),
    ...read('volts_ll', linePositions, point.motor.terminalVolts),
    ...read('amps', legPositions, point.motor.lineAmps),
    ...read('rpm', ['motor'], [point.motor.rpm]),
    ...(running ? read('static_pressure', ['supply'], [point.pressure / inchesOfWater]) : []),
    ...read('contact_drop', legPositions, f.pole === undefined ? point.drop : [f.pole, point.drop[1], point.drop[2]]),
  ]
}

const visitOf = (i: number, own: readonly Reading[]): Visit => ({
  id: `visit-${i}`,
  at: (1 + i * 60) * dayMs,
  state: { ...unsaid, settled: true, turning: 'right way' },
  readings: own,
})

/** What the readings of a machine with a fault say, after six of it sound; null where the model carries no such machine. */
function said(sound: Sound, f: Faulted, random: Random): ReadonlyMap<string, string> | null {
  const even: Faulted['line'] = [sound.volts, sound.volts, sound.volts]
  const poles: Rig = { ...sound.rig, stage: { kind: 'contactor', ohms: [0.004, 0.004, 0.004] } }
  const before = { rig: poles, line: even }
  const now: Faulted = {
    ...f,
    rig: f.rig.stage ? f.rig : { ...f.rig, stage: { kind: 'contactor', ohms: [0.004, 0.004, 0.004] } },
  }
  try {
    const history = Array.from({ length: 6 }, (_, i) => visitOf(i, readings(before, random)))
    const context = contextOf({ ...sound.input, visit: visitOf(6, readings(now, random)), history })
    return new Map(resultsOf(context))
  } catch (e) {
    if (e instanceof RangeError) return null
    throw e
  }
}

const outcomesOf = (test: Test, counts: ReadonlyMap<string, number>): number[] => {
  const n = [...counts.values()].reduce((a, b) => a + b, 0)
  // Nothing is impossible that was only not drawn.
  const share = test.outcomes.map((o) => ((counts.get(o.id) ?? 0) + 1) / (n + test.outcomes.length))
  return share.map((p) => Number(p.toFixed(4)))
}

/**
 * How likely each cause of the model shows each outcome: machines, severities and meter error drawn at random.
 * @param causes which; left out, all that the model carries
 * @returns tests that fewer than a tenth of the draws could be read in are left out
 * @source the machine model of `core/machine`
 */
export function likelihoodsByModel(causes: readonly string[] = Object.keys(faults), draws = modelDraws): ByModel {
  const out: Record<string, Record<string, readonly number[]>> = {}
  for (const cause of causes) {
    const make = faults[cause]
    if (!make) throw new RangeError(`causes: the model does not carry ${cause}`)
    // A cause has the same machines, whichever are asked for with it.
    const random = seeded(modelSeed + [...cause].reduce((a, c) => (a * 31 + (c.codePointAt(0) ?? 0)) % 1_000_003, 7))
    const counts = new Map<string, Map<string, number>>()
    for (let i = 0; i < draws; i++) {
      const sound = soundMachine(random)
      for (const [test, outcome] of said(sound, make(sound, random), random) ?? []) {
        const own = counts.get(test) ?? new Map<string, number>()
        own.set(outcome, (own.get(outcome) ?? 0) + 1)
        counts.set(test, own)
      }
    }
    for (const test of tests) {
      const own = counts.get(test.id)
      const n = [...(own?.values() ?? [])].reduce((a, b) => a + b, 0)
      if (own && decided.includes(test.id) && n >= draws / 10) (out[test.id] ??= {})[cause] = outcomesOf(test, own)
    }
  }
  return out
}
