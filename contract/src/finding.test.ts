import { byUrgency } from '@motor-round/core/finding'
import { describe, expect, it } from 'vitest'
import { findingBody, findingOf, findingStepBody, type FindingStep } from './finding.ts'

const id = (n: number) => `00000000-0000-7000-8000-${String(n).padStart(12, '0')}`
const body = (over: object = {}) =>
  findingBody.parse({
    id: id(1),
    machineId: id(5),
    at: '2026-11-20T09:00:00Z',
    level: 'fix',
    text: ' No belt guard ',
    ...over,
  })
const step = (n: number, kind: FindingStep['kind'], over: object = {}): FindingStep => ({
  ...findingStepBody.parse({
    id: id(100 + n),
    findingId: id(1),
    machineId: id(5),
    at: `2026-11-${20 + n}T09:00:00Z`,
    kind,
    note: 'because',
    ...over,
  }),
  by: 'Tamsin Vale',
})
const of = (steps: FindingStep[], over: object = {}) => findingOf({ ...body(over), by: 'Mosi Okonjo' }, steps)

describe('a finding', () => {
  it('is open until someone says what became of it, and is what the last one said', () => {
    expect(of([])).toMatchObject({ state: 'open', text: 'No belt guard', owner: '', reviewOn: null })
    const put = step(1, 'postponed', { reviewOn: '2027-02-01' })
    expect(of([put])).toMatchObject({ state: 'postponed', reviewOn: '2027-02-01' })
    expect(of([step(2, 'closed'), put])).toMatchObject({ state: 'closed', steps: [{ id: id(101) }, { id: id(102) }] })
    const again = of([put, step(2, 'closed'), step(3, 'reopened')], { reviewOn: '2026-12-24' })
    expect(again).toMatchObject({ state: 'open', reviewOn: '2026-12-24' })
  })
  it('takes no step of another', () => {
    expect(of([{ ...step(1, 'closed'), findingId: id(2) }]).state).toBe('open')
  })
  it('wants words, a reason for each step, and a day to be put off to', () => {
    const wrong = (r: { success: boolean; error?: { issues: { path: PropertyKey[]; message: string }[] } }) =>
      r.error?.issues.map((i) => `${i.path.join('.')}: ${i.message}`)
    expect(wrong(findingBody.safeParse({ ...body(), text: '  ' }))).toEqual(['text: enter the finding'])
    expect(wrong(findingBody.safeParse({ ...body(), level: 'ok' }))?.[0]).toContain('level')
    const bare = { id: id(9), findingId: id(1), machineId: id(5), at: '2026-11-21T09:00:00Z' }
    expect(wrong(findingStepBody.safeParse({ ...bare, kind: 'postponed', note: ' ' }))).toEqual([
      'note: enter the reason',
      'reviewOn: enter the date',
    ])
  })
  it('stands before others the worse and the older it is, and last once it is closed', () => {
    const list = [
      of([], { id: id(1), level: 'watch' }),
      of([step(1, 'closed')], { id: id(1), level: 'stop' }),
      of([], { id: id(3), level: 'stop', at: '2026-11-22T09:00:00Z' }),
      of([], { id: id(4), level: 'stop', at: '2026-11-21T09:00:00Z' }),
    ]
    expect(byUrgency(list).map((f) => `${f.level} ${f.state} ${f.id.slice(-1)}`)).toEqual([
      'stop open 4',
      'stop open 3',
      'watch open 1',
      'stop closed 1',
    ])
  })
})
