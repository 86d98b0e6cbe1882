import { describe, expect, it } from 'vitest'
import { judgeMachine, withPeers, type MachineSnapshot } from '../../core/src/judge/index.ts'
import { defaultPolicies } from '../../core/src/limits/index.ts'
import { dayMs } from '../../core/src/trend/index.ts'
import { anything } from './chaos.ts'
import { whole } from './healthy.ts'
import { anyMachine } from './machines.ts'
import { Random } from './random.ts'
import { never, runTruth } from './score.ts'
import { speedTruth } from './speed.ts'
import { trendTruth } from './trends.ts'
import { nothing, visitOf } from './visit.ts'

/** A slice of `npm run bench truth`: the same machines each time. */
describe('the judgement against what is true', () => {
  const score = runTruth(10_000, 20_260_101)
  const wrong = (kind: string) => score.wrong.get(kind)?.examples.slice(0, 3) ?? []

  it.each(never)('%s: never', (kind) => expect(wrong(kind)).toEqual([]))

  it('was not empty', () => {
    for (const what of [
      'healthy',
      'alone',
      'pairs',
      'sequences',
      'flagged',
      'gates',
      'unknown',
      'two speeds',
      'anything',
    ])
      expect(score.of(what)).toBeGreaterThan(500)
  })
  it('a healthy machine is watched in one case of twenty at most', () =>
    expect(score.missed('healthy judged watch')).toBeLessThanOrEqual(0.05 * score.of('healthy')))
})

describe('the range said of a change of speed, against machines that are not quite their plates', () => {
  const score = speedTruth(700, 20_260_102)
  const share = (s: { changes: number; inside: number }) => s.inside / s.changes
  it('holds in 93 to 97 of 100', () => {
    expect(share(score)).toBeGreaterThanOrEqual(0.93)
    expect(share(score)).toBeLessThanOrEqual(0.97)
  })
  it('holds for lightly loaded motors and large changes too', () => {
    expect(score.lightly.changes).toBeGreaterThan(150)
    expect(share(score.lightly)).toBeGreaterThanOrEqual(0.92)
    expect(score.far.changes).toBeGreaterThan(200)
    expect(share(score.far)).toBeGreaterThanOrEqual(0.92)
  })
})

describe('changes of the amps, through the whole judgement', () => {
  const score = trendTruth(80, 20_260_103, 12)
  it('a step is told at once, a slow rise within six visits though filters were changed at each', () => {
    expect(score.step).toBeGreaterThanOrEqual(0.9)
    expect(score.ramp).toBeGreaterThanOrEqual(0.8)
  })
  it('and a steady machine hardly ever', () => expect(score.false92).toBeLessThanOrEqual(0.1))
})

describe('what others of its kind carry', () => {
  const r = new Random(20_260_104)
  const peers = [0.5, 0.52, 0.9, 1.2, 0.7, 0.8]
  const good = (): MachineSnapshot => {
    const m = anyMachine(r)
    const day = Date.UTC(2026, 0, 5)
    const visits = Array.from({ length: 1 + r.below(4) }, (_, n) => visitOf(whole(r, m, nothing), day + n * 91 * dayMs))
    const motor = { plate: m.plate, connectionVolts: null, installedAt: 0 }
    return { machine: m.facts, motor, visits, work: [], policies: defaultPolicies, peers }
  }
  const whatever = (): MachineSnapshot => {
    const input = anything(r)
    return { ...input, visits: [...input.history, input.visit] }
  }
  it.each([
    ['a machine that runs', good, 100],
    ['whatever the pages let through', whatever, 0],
  ])('added to a judgement says what judging with it says: %s', (_what, machine, least) => {
    const said: unknown[] = []
    for (let n = 0; n < 400; n++) {
      const known = machine()
      const all = judgeMachine(known)
      const without = judgeMachine({ ...known, peers: [] })
      expect(without && withPeers(without, known)).toEqual(all)
      said.push(...(all?.verdicts.filter((v) => v.check === 'peers') ?? []))
    }
    expect(said.length).toBeGreaterThanOrEqual(least)
  })
})
