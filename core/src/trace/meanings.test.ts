import { describe, expect, it } from 'vitest'
import { facts, inputFor, type Given } from '../judge/checks/say.test-help.ts'
import { contextOf } from '../judge/context.ts'
import {
  checkDefinitions,
  judge,
  meaningful,
  meaningOf,
  rules,
  trippedAgain,
  unknownControls,
  type MachineFacts,
} from '../judge/index.ts'
import { answerReaders } from './evidence/answers.ts'
import { testOf } from './model.ts'

const ranks = ['ok', 'watch', 'fix', 'stop']
const worst = (levels: readonly string[]) => Math.max(0, ...levels.map((l) => ranks.indexOf(l)))

describe('what results mean at their machine', () => {
  const checks = new Set(rules.map((r) => r.id))
  it('names tests and outcomes that there are', () => {
    for (const key of meaningful.filter((k) => k !== trippedAgain)) {
      const [test = '', outcome = ''] = key.split(' ')
      expect(
        testOf.get(test)?.outcomes.some((o) => o.id === outcome),
        key,
      ).toBe(true)
    }
  })
  it('names checks of visits, or says itself what it is about', () => {
    for (const key of meaningful) {
      const [test = '', outcome = ''] = key.split(' ')
      const m = meaningOf(test, outcome)
      expect(m && (checks.has(m.check) || m.as !== undefined), key).toBe(true)
    }
  })
  it('are as bad as a visit finds of the same answer', () => {
    let compared = 0
    const milder: string[] = []
    const machines: Partial<MachineFacts>[] = [
      {},
      { hasVfd: true, hasTwin: true, drive: 'direct' },
      { phases: 1, serviceVolts: 240, drive: 'direct' },
    ]
    for (const own of machines) {
      const machine: MachineFacts = { ...facts, ...own, controls: unknownControls }
      const asks = checkDefinitions
        .filter((d) => d.for(machine))
        .flatMap((d) => d.groups(machine).flatMap((g) => g.asks))
        .flatMap((a) => (a.kind === 'choice' ? a.options.map(([word]) => [a.id, word] as const) : []))
      for (const [question, word] of asks) {
        const given: Given = { machine: own, answers: { [question]: word } }
        const input = inputFor([], given)
        const read = Object.entries(answerReaders).flatMap(([test, reader]) => {
          const outcome = reader(contextOf(input))
          return outcome === null ? [] : [meaningOf(test, outcome)?.level ?? 'ok']
        })
        if (read.length === 0) continue
        compared += 1
        const visit = judge(input).verdicts.filter((v) => !v.ofVisit && v.settles)
        const least = worst(visit.map((v) => v.level))
        // What a visit only watches may be no more than a symptom of what is traced.
        if (least >= ranks.indexOf('fix') && worst(read) < least) milder.push(`${question} ${word}`)
      }
    }
    expect(milder).toEqual([])
    expect(compared).toBeGreaterThan(60)
  })
})
