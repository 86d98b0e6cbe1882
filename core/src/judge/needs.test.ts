import { describe, expect, it } from 'vitest'
import { quantities, type Reading } from '../quantity/index.ts'
import { machines, placesOf, readingsOf, valuesOf } from './any-reading.test-help.ts'
import { facts, inputFor, type Given } from './checks/say.test-help.ts'
import { checkDefinitions, contextOf, rules, unknownControls, type MachineFacts } from './index.ts'
import { visitVerdicts } from './machine-state.ts'
import { runRules } from './run-rule.ts'

const fromVisit = rules.filter((r) => r.from === 'visit')
const all: readonly Given[] = [
  ...machines,
  { controls: { gasSection: true, phaseMonitor: true, controlVolts: 24 }, machine: { hasTwin: true } },
  { machine: { hasVfd: true, hasTwin: true } },
]

/** What rules say that were not asked, because nothing that they name was read. */
function unasked(readings: Reading[], given: Given): string[] {
  const c = contextOf(inputFor(readings, given))
  const said = new Set(visitVerdicts(c, []).map((v) => `${v.check} ${v.level}`))
  return runRules(c, fromVisit, [])
    .map((v) => `${v.check} ${v.level}`)
    .filter((v) => !said.has(v))
}

/** A plain visit asks only those rules that can have something to say of it: none of those left out would have spoken. */
describe('rules that a visit does not ask', () => {
  it('have nothing to say of any reading alone', () => {
    const silent = new Set<string>()
    for (const given of all)
      for (const q of quantities)
        for (const value of valuesOf(q)) {
          const readings = readingsOf(q, new Map(placesOf(q, given).map((p) => [p, value])))
          for (const v of unasked(readings, given)) silent.add(`${q.code}: ${v}`)
        }
    expect([...silent]).toEqual([])
  })
  it('nor of any answer alone', () => {
    const silent = new Set<string>()
    for (const given of all) {
      const machine: MachineFacts = {
        ...facts,
        ...given.machine,
        controls: { ...unknownControls, ...given.controls },
      }
      const asks = checkDefinitions
        .filter((d) => d.for(machine))
        .flatMap((d) => d.groups(machine).flatMap((g) => g.asks))
      for (const a of asks) {
        if (a.kind === 'reading') continue
        for (const word of a.kind === 'choice' ? a.options.map(([w]) => w) : ['x'])
          for (const v of unasked([], { ...given, answers: { [a.id]: word } })) silent.add(`${a.id} ${word}: ${v}`)
      }
    }
    expect([...silent]).toEqual([])
  })
})
