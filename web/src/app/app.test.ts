import { describe, expect, it } from 'vitest'
import { limitRegister } from '@motor-round/core/limits'
import { shownLimit, typedLimit } from '../parts/limit-text/index.ts'
import { dueWords } from './dates.ts'
import { failureOf, fieldMessage } from './failure.ts'
import { addressOf } from './request.ts'

describe('addresses', () => {
  it('fill in parameters and leave out what is not asked', () => {
    expect(addressOf('machinePage', { id: 'a/b' })).toBe('/machines/a%2Fb')
    expect(addressOf('machineList', undefined, { level: ['stop', 'fix'], q: '', site: undefined, sort: 'need' })).toBe(
      '/machines?level=stop%2Cfix&sort=need',
    )
  })
})

describe('failures', () => {
  it('tell no signal from a refusal', () => {
    expect(failureOf('FETCH_ERROR', undefined).noSignal).toBe(true)
    const refused = failureOf(422, {
      type: 'about:blank',
      title: 'x',
      status: 422,
      errors: [{ path: 'plate.amps', message: 'no' }],
    })
    expect(refused.noSignal).toBe(false)
    expect(fieldMessage(refused, 'plate')).toBe('no')
    expect(fieldMessage(refused, 'pla')).toBeUndefined()
    expect(failureOf(502, '<html>').problem.status).toBe(500)
  })
})

describe('due dates in words', () => {
  const now = Date.parse('2026-11-25T12:00:00Z')
  it.each([
    ['2026-11-20T12:00:00Z', '5 days late', true],
    ['2026-11-25T08:00:00Z', 'now', false],
    ['2026-11-30T12:00:00Z', 'this week', false],
    ['2027-02-02T12:00:00Z', 'Feb 2, 2027', false],
  ])('%s: %s', (iso, words, late) => expect(dueWords(iso, now)).toEqual({ words, late }))
  it('never seen is now', () => expect(dueWords(null, now).words).toBe('now'))
})

describe('limits as they are typed', () => {
  it('come back as they were shown', () => {
    for (const limit of Object.values(limitRegister))
      expect(typedLimit(limit, shownLimit(limit, limit.value))).toBeCloseTo(limit.value, 9)
  })
  it('are refused when they are no figure', () => expect(typedLimit(limitRegister['lost-leg'], 'a lot')).toBeNull())
})
