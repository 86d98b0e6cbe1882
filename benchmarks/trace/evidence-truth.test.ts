import { describe, expect, it } from 'vitest'
import { contextOf, type JudgeInput } from '../../core/src/judge/index.ts'
import { defaultPolicies } from '../../core/src/limits/index.ts'
import { seeded } from '../../core/src/machine/index.ts'
import type { Reading } from '../../core/src/quantity/index.ts'
import { resultsOf } from '../../core/src/trace/index.ts'
import { unsaid } from '../../core/src/trend/index.ts'
import { anyMachine, anyTruth, spoiled } from './evidence-truth.ts'

/** What a visit of these readings is taken for. */
function said(machine: JudgeInput['machine'], readings: readonly Reading[]): ReadonlyMap<string, string> {
  const visit = { id: 'v', at: 1e9, state: { ...unsaid, settled: true }, readings, answers: {} }
  return new Map(
    resultsOf(contextOf({ machine, motor: null, visit, history: [], work: [], policies: defaultPolicies })),
  )
}

// Invented machines; what is true of them and what a meter shows of it come from circuit theory alone.
describe('evidence of a trace, against what is true of the machine', () => {
  it('a full set of steady readings says what is true', () => {
    const random = seeded(41)
    const wrong: string[] = []
    for (let i = 0; i < 10_000; i++) {
      const machine = anyMachine(random)
      const t = anyTruth(random, machine)
      const own = said(machine, t.readings).get(t.test)
      if (own !== t.outcome) wrong.push(`${t.test}=${String(own)}, true ${t.outcome}: ${JSON.stringify(t.readings)}`)
    }
    expect(wrong.slice(0, 5)).toEqual([])
  })
  it('with a reading missing or not standing still, nothing is said that is not so', () => {
    const random = seeded(43)
    const wrong: string[] = []
    let silent = 0
    const all = 10_000
    for (let i = 0; i < all; i++) {
      const machine = anyMachine(random)
      const t = anyTruth(random, machine)
      const readings = spoiled(random, t.readings)
      const own = said(machine, readings).get(t.test)
      if (own === undefined) silent += 1
      // A winding that does not settle is told as that.
      else if (own === 'wander' && readings.some((r) => r.how === 'unsteady')) continue
      else if (own !== t.outcome || (readings !== t.readings && !t.byOne.includes(own) && !same(readings, t.readings)))
        wrong.push(`${t.test}=${own}, true ${t.outcome}: ${JSON.stringify(readings)}`)
    }
    expect(wrong.slice(0, 5)).toEqual([])
    // It would be easy to be right by saying nothing ever.
    expect(silent / all).toBeLessThan(0.9)
    expect(silent / all).toBeGreaterThan(0.3)
  })
})

const same = (a: readonly Reading[], b: readonly Reading[]) => JSON.stringify(a) === JSON.stringify(b)
