import { findingBody, findingOf, type RoundNews } from '@motor-round/contract'
import { describe, expect, it } from 'vitest'
import { eventOf, roundOf, uuid, visitOf } from '../../test/round.test-help.ts'
import { withNews } from './with-news.ts'

const page = roundOf({ events: [eventOf(11, 'began', '2026-11-25T08:00:00Z')] })
const happened = (event: ReturnType<typeof eventOf>): RoundNews => ({ say: 'event', event })
const finding = (over: object = {}) => ({
  ...findingOf(
    {
      ...findingBody.parse({
        id: uuid(700),
        machineId: uuid(11),
        at: '2026-11-25T08:10:00Z',
        level: 'watch',
        text: 'Oil on the floor',
      }),
      by: 'Mosi Okonjo',
    },
    [],
  ),
  ...over,
})

describe('a round that is watched', () => {
  it('has what happened in its place and is as far as that', () => {
    const done = eventOf(11, 'done', '2026-11-25T08:20:00Z')
    const early = eventOf(12, 'skipped', '2026-11-25T07:50:00Z')
    const one = withNews(page, happened(done))
    expect(one?.head).toMatchObject({ done: 1, skipped: 0 })
    const two = one && withNews(one, happened(early))
    expect(two?.events.map((e) => e.kind)).toEqual(['skipped', 'began', 'done'])
    expect(two?.head).toMatchObject({ done: 1, skipped: 1, left: page.visits.length - 2 })
    // Told twice it has happened once.
    expect(two && withNews(two, happened(done))?.events).toHaveLength(3)
  })
  it('asks for the page where a machine has joined, the plan has changed, or the line was down', () => {
    expect(withNews(page, happened(eventOf(77, 'done', '2026-11-25T08:20:00Z')))).toBeNull()
    expect(withNews(page, { say: 'page' })).toBeNull()
    expect(withNews(page, { say: 'here' })).toBeNull()
  })
  it('shows how a machine stands since it was judged', () => {
    const { conditions, dueAt } = visitOf(11)
    const machine = { machineId: uuid(11), level: 'stop' as const, headline: 'One leg open.', conditions, dueAt }
    const next = withNews(page, { say: 'machine', machine })
    expect(next?.visits.find((v) => v.machineId === uuid(11))).toMatchObject({ level: 'stop', tag: 'SF' })
    expect(next?.visits.find((v) => v.machineId === uuid(12))?.level).toBe('fix')
  })
  it('has the worst finding first, and those closed only where they are its own', () => {
    const one = withNews(page, { say: 'finding', finding: finding() })
    const worse = finding({ id: uuid(701), level: 'stop' })
    const two = one && withNews(one, { say: 'finding', finding: worse })
    expect(two?.findings.map((f) => f.level)).toEqual(['stop', 'watch'])
    const closed = two && withNews(two, { say: 'finding', finding: { ...worse, state: 'closed' } })
    expect(closed?.findings.map((f) => f.level)).toEqual(['watch'])
    const own = { ...worse, state: 'closed' as const, roundId: page.head.id }
    expect(two && withNews(two, { say: 'finding', finding: own })?.findings).toHaveLength(2)
  })
})
