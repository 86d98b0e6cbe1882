import { describe, expect, it } from 'vitest'
import { dueWords, shortDay } from './dates.ts'
import { failureOf, fieldMessage, messageOf } from './failure.ts'
import { localInput } from './local-input.ts'
import { addressOf, requestOf } from './request.ts'

describe('the address of a call', () => {
  it('fills in what the path names, and leaves out what the query does not say', () => {
    expect(addressOf('machinePage', { id: 'a b' })).toBe('/machines/a%20b')
    expect(addressOf('machineList', undefined, { level: [], q: '', site: undefined, offset: 0 })).toBe(
      '/machines?offset=0',
    )
    expect(addressOf('machineList', undefined, { q: 'ahu-2 & co' })).toBe('/machines?q=ahu-2+%26+co')
  })
  it('has a body only where one is sent', () => {
    expect(requestOf('policies', {})).toEqual({ url: '/policies', method: 'GET' })
    expect(
      requestOf('policiesEffect', { body: { policies: { overAmp: 'plate', trim: 0, limits: {} } } }),
    ).toMatchObject({
      url: '/policies/effect',
      method: 'POST',
      body: { policies: { trim: 0 } },
    })
  })
})

describe('what went wrong with a call', () => {
  const details = {
    type: 'about:blank',
    title: 'Not valid',
    status: 422,
    errors: [{ path: 'readings.0.value', message: 'amps lies between 0 and 2000 A' }],
  }
  it('is the server’s own words, at their field', () => {
    const f = failureOf(422, details)
    expect(f.noSignal).toBe(false)
    expect(messageOf(f)).toBe('Not valid')
    expect(fieldMessage(f, 'readings')).toBe('amps lies between 0 and 2000 A')
    expect(fieldMessage(f, 'readings.0.value')).toBe('amps lies between 0 and 2000 A')
    expect(fieldMessage(f, 'read')).toBeUndefined()
    expect(fieldMessage(undefined, 'readings')).toBeUndefined()
  })
  it('is no signal when nothing answered, and our mistake when what came cannot be read', () => {
    expect(failureOf('FETCH_ERROR', undefined).noSignal).toBe(true)
    expect(failureOf('TIMEOUT_ERROR', undefined).noSignal).toBe(true)
    expect(failureOf('PARSING_ERROR', '<html>')).toMatchObject({ noSignal: false, problem: { title: 'Server error' } })
    expect(failureOf(502, 'Bad gateway').problem.status).toBe(500)
  })
})

describe('days in a foreman’s words', () => {
  const now = new Date(2026, 10, 25, 9).getTime()
  const inDays = (n: number) => new Date(2026, 10, 25 + n, 15).toISOString()
  it.each([
    [-40, '40 days late', true],
    [-2, '2 days late', true],
    [-1, 'now', false],
    [0, 'now', false],
    [3, 'this week', false],
    [7, 'this week', false],
    [12, 'Dec 7', false],
    [60, 'Jan 24, 2027', false],
  ])('due in %d days is %s', (days, words, late) => expect(dueWords(inDays(days), now)).toEqual({ words, late }))
  it('due of a machine never judged is now', () => expect(dueWords(null, now)).toEqual({ words: 'now', late: false }))
  it('short days carry the year only when it is another', () => {
    expect(shortDay(inDays(-3), now)).toBe('Nov 22')
    expect(shortDay(inDays(-400), now)).toMatch(/2025$/)
  })
  it('an instant fits the date field of a browser', () =>
    expect(localInput(new Date(2026, 2, 4, 5, 6).getTime())).toBe('2026-03-04T05:06'))
})
