import { describe, expect, it } from 'vitest'
import type { JobFact } from './facts.ts'
import { causeRecord, jobOutcome } from './outcome.ts'

type Said = JobFact extends infer F ? (F extends JobFact ? Omit<F, 'id' | 'at' | 'by'> : never) : never
const fact = (at: number, said: Said): JobFact => ({ id: `f${at}`, at, by: 'V', ...said })
const option = {
  kind: 'repair' as const,
  title: 'Belts',
  hours: 2,
  people: 2,
  parts: [{ name: 'belt', count: 2, price: 30 }],
  access: 40,
  down: 3,
  years: 2,
  risk: '',
}
const offer = fact(1, {
  kind: 'offer',
  words: 'x',
  rate: 90,
  downHour: 100,
  options: [option],
  waiting: [],
  validUntil: '2026-12-31',
})
const approved = fact(2, {
  kind: 'decision',
  decision: 'approved',
  who: 'R',
  means: 'link',
  words: '',
  trigger: null,
  chosen: { offerId: 'f1', option: 0 },
})
const closed = (over: object = {}) =>
  fact(3, { kind: 'closed', reason: '', cause: 'right', hours: 5, money: 90, ...over })

describe('quote against cost', () => {
  it('labor, parts and access of the option that was chosen; hours that came out at the same rate', () => {
    // Quoted 2 × 2 × 90 + 60 + 40 = 460; cost 5 × 90 + 90 = 540. The three hours down are in neither.
    expect(jobOutcome([offer, approved, closed()])).toEqual({ quoted: 460, quotedHours: 4, hours: 5, cost: 540 })
  })
  it('what nobody wrote down or chose is not known', () => {
    expect(jobOutcome([offer, closed()])).toMatchObject({ quoted: null, cost: null, hours: 5 })
    expect(jobOutcome([offer, approved, closed({ money: null })])).toMatchObject({ quoted: 460, cost: null })
    expect(jobOutcome([])).toEqual({ quoted: null, quotedHours: null, hours: null, cost: null })
  })
  it('counts how often the expected cause was right', () => {
    expect(causeRecord([{ cause: 'right' }, { cause: 'right' }, { cause: 'wrong' }, { cause: 'not known' }])).toEqual({
      right: 2,
      wrong: 1,
      notKnown: 1,
    })
  })
})
