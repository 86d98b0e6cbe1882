import { describe, expect, it } from 'vitest'
import type { JobFact } from './facts.ts'
import { learnPace, planJob, type DoneJob } from './index.ts'

const on = { hasVfd: false }
const steps = planJob(['filters'], on)
/** Every step of a change of filters, each so many times its template. */
const job = (factor: (id: string) => number, by: (id: string) => string = () => 'Mosi'): DoneJob => {
  let at = 0
  const facts = steps.map((s, i): JobFact => {
    at += s.minutes * factor(s.id) * 60_000
    return { id: `${i}`.padStart(3, '0'), at, by: by(s.id), kind: 'done', step: s.id, note: '' }
  })
  return { kinds: ['filters'], skip: [], on, facts }
}
const timed = steps.filter((s, i) => i > 0 && s.minutes > 0 && s.waits.length === 0)
const first = timed[0]?.id ?? ''

describe('minutes are learned from the jobs that were done', () => {
  it('three that took twice as long are half believed: with the template as three more, √2', () => {
    const { factors, jobs } = learnPace([job(() => 2), job(() => 2), job(() => 2)])
    expect(jobs).toBe(3)
    expect(factors.get(first)).toBeCloseTo(Math.SQRT2, 12)
    expect([...factors.keys()].sort()).toEqual(timed.map((s) => s.id).sort())
  })
  it('thirty are nearly believed whole, and the plan goes by them', () => {
    const { factors } = learnPace(Array.from({ length: 30 }, () => job(() => 2)))
    expect(factors.get(first)).toBeCloseTo(2 ** (30 / 33), 12)
    const planned = planJob(['filters'], { ...on, pace: factors }).find((s) => s.id === first)
    expect(planned?.minutes).toBe(Math.max(1, Math.round((timed[0]?.minutes ?? 0) * 2 ** (30 / 33))))
  })
  it('two are too few; ticks in a heap, a night in between and another’s hands say nothing', () => {
    const none = (jobs: readonly DoneJob[]) => expect(learnPace(jobs).factors.size).toBe(0)
    none([job(() => 2), job(() => 2)])
    none([1, 2, 3, 4].map(() => job(() => 0.1)))
    none([1, 2, 3, 4].map(() => job(() => 20)))
    const turns = new Map(steps.map((s, i) => [s.id, i % 2 === 0 ? 'Mosi' : 'Runa']))
    none(
      [1, 2, 3, 4].map(() =>
        job(
          () => 2,
          (id) => turns.get(id) ?? '',
        ),
      ),
    )
  })
  it('a job that was interrupted says nothing of the step after the break until somebody goes on with it', () => {
    const cut = (kind: 'paused' | 'resumed'): DoneJob => {
      const whole = job(() => 2)
      const k = whole.facts.findIndex((f) => f.kind === 'done' && f.step === first)
      const last = whole.facts[k - 1]
      if (!last) throw new Error('the first step has nothing before it')
      const between: JobFact =
        kind === 'paused'
          ? { id: '500', at: last.at, by: 'Mosi', kind, safe: 'Locked' }
          : { id: '500', at: last.at, by: 'Mosi', kind }
      return { ...whole, facts: [...whole.facts.slice(0, k), between, ...whole.facts.slice(k)] }
    }
    const of = (kind: 'paused' | 'resumed') => learnPace([cut(kind), cut(kind), cut(kind)]).factors
    expect(of('paused').has(first)).toBe(false)
    expect(of('resumed').get(first)).toBeCloseTo(Math.SQRT2, 12)
  })
  it('a pace leaves what takes no minutes at none, and never makes a step of none', () =>
    expect(
      planJob(['filters'], { ...on, pace: new Map(steps.map((s) => [s.id, 0.001])) }).map((s) => s.minutes),
    ).toEqual(steps.map((s) => (s.minutes === 0 ? 0 : 1))))
})
