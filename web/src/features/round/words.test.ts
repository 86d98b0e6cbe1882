import { type RoundPage } from '@motor-round/contract'
import { roundVisitState } from '@motor-round/core/round'
import { describe, expect, it } from 'vitest'
import { costWords, gaveWay, scopeFor, walkOrder } from './words.ts'

const cost = { travel: 0, waiting: 0, hot: 0, left: 0, back: 0, total: 0 }
const event = (machineId: string, kind: 'began' | 'done' | 'skipped' | 'moved', place: number | null = null) => ({
  id: `${machineId} ${kind} ${place ?? ''}`,
  roundId: 'r',
  machineId,
  kind,
  at: '2026-11-25T09:00:00Z',
  visitId: null,
  place,
  note: '',
  by: 'x',
  recordedAt: '2026-11-25T09:00:00Z',
})
const step = (id: string, walkers: string[]) => ({ step: id, walkers, start: 0, end: 1, travel: 0, waiting: 0 })
const page = (over: Partial<RoundPage> = {}) =>
  ({
    route: {
      order: [
        { walker: 'w1', steps: ['a', 'b', 'c'] },
        { walker: 'w2', steps: ['d', 'b'] },
      ],
      steps: [step('a', ['w1']), step('d', ['w2']), step('b', ['w1', 'w2']), step('c', ['w1'])],
      left: [],
      cost,
    },
    visits: ['a', 'b', 'c', 'd', 'x'].map((machineId) => ({ machineId })),
    events: [],
    ...over,
  }) as unknown as RoundPage

describe('a round in words', () => {
  it('says what a move costs, and that it costs nothing', () => {
    expect(costWords({ ...cost, travel: 4.2, back: -12, left: 20 })).toBe(
      'It costs: 4 min more walking, back 12 min earlier, more work is left out.',
    )
    expect(costWords(cost)).toBe('No extra time.')
  })
  it('names who gave way to a move', () => {
    const people = ['Ada Fenn', 'Bo Hale'].map((name, i) => ({ id: `w${i + 1}`, name }))
    const visits = ['a', 'b', 'c', 'd'].map((m) => ({ machineId: m, unitTag: `AHU-${m}`, tag: 'SF' }))
    const of = (w1: string[], w2: string[]) =>
      page({
        head: { people },
        visits,
        route: {
          order: [
            { walker: 'w1', steps: w1 },
            { walker: 'w2', steps: w2 },
          ],
          steps: [],
          left: [],
          cost,
        },
      } as unknown as Partial<RoundPage>)
    expect(gaveWay(of(['a', 'b', 'c'], ['d']), of(['a', 'b', 'd:proof'], ['c']))).toBe(
      'No longer fits: AHU-d / SF. Fits again: AHU-d / SF, read again. Runs over: AHU-c / SF to Bo Hale.',
    )
    expect(gaveWay(of(['a', 'b'], ['b']), of(['b', 'a'], ['b']))).toBe('')
  })
  it('asks for the visit plan that carries all tasks', () => {
    const of = (...scopes: ('running' | 'live' | 'dead' | 'full' | 'drive')[]) =>
      scopeFor(scopes.map((scope) => ({ scope })))
    expect([
      of('running'),
      of('live', 'running'),
      of('dead'),
      of('drive', 'running'),
      of('dead', 'live'),
      of(),
    ]).toEqual(['running', 'live', 'dead', 'drive', 'full', 'running'])
  })
})

describe('the order of a walk', () => {
  it('is each person’s own, then what was added during the round', () => {
    expect(walkOrder(page(), 'w1')).toEqual(['a', 'b', 'c', 'x'])
    expect(walkOrder(page(), 'w2')).toEqual(['d', 'b', 'x'])
    expect(walkOrder(page(), null)).toEqual(['a', 'd', 'b', 'c', 'x'])
  })
  it('follows what was put off, in the order in which it was', () => {
    const events = [event('a', 'moved', 2), event('c', 'moved', 0)]
    expect(walkOrder(page({ events }), 'w1')).toEqual(['c', 'b', 'a', 'x'])
  })
  it('knows what became of each: done stays done, whoever skipped it without hearing of it', () => {
    const events = [event('a', 'began'), event('a', 'done'), event('a', 'skipped'), event('b', 'began')]
    expect(['a', 'b', 'c'].map((m) => roundVisitState(events, m))).toEqual(['done', 'began', 'open'])
  })
})
