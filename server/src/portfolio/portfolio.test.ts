import { randomUUID } from 'node:crypto'
import type { MachinePage, Portfolio } from '@motor-round/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { defaultPolicies } from '@motor-round/core/limits'
import { judgeStanding } from '../machine/judge.ts'
import { loadSnapshots } from '../machine/snapshot.ts'
import { binaryOf, pagesOf } from '../test/binary.test-help.ts'
import { bring } from '../test/rounds.test-help.ts'
import { openWorld, type Caller, type World } from '../test/world.ts'
import { fillLevelDays, fillSoon, isFilling, monthEnds, stopFilling } from './level-days.ts'
import { snapshotAt } from './levels-at.ts'
import { quarterDays, quarterOf } from './portfolio.ts'

let world: World
let hand: Caller
beforeAll(async () => {
  world = await openWorld(true)
  hand = await world.as('okonjo')
})
afterAll(() => world.end())

const ask = async (query = '') => (await hand.get(`/portfolio${query}`)).body as Portfolio

describe('the days of a report', () => {
  it('a quarter has its first and last day, also over a leap February', () => {
    expect(quarterDays('2026-Q4')).toEqual({ from: '2026-10-01', to: '2026-12-31' })
    expect(quarterDays('2028-Q1')).toEqual({ from: '2028-01-01', to: '2028-03-31' })
    expect(['2026-01-31', '2026-04-01', '2026-12-31'].map(quarterOf)).toEqual(['2026-Q1', '2026-Q2', '2026-Q4'])
  })
  it('ends of months before a day, newest first', () => {
    expect(monthEnds('2026-03-31', 3)).toEqual(['2026-02-28', '2026-01-31', '2025-12-31'])
  })
})

describe('a quarter in figures', () => {
  it('counts jobs closed in it, quote against cost, and what waits', async () => {
    const before = await ask('?quarter=2026-Q4')
    const machineId = await hand.machine('AHU-6/SF')
    const at = '2026-11-25T08:00:00.000Z'
    const job = { kind: 'job', body: { id: randomUUID(), machineId, at, title: 'Belts', kinds: ['sheaves'] } }
    const said = (minutes: number, body: object) => ({
      kind: 'job-step',
      body: {
        id: randomUUID(),
        jobId: job.body.id,
        machineId,
        at: new Date(Date.parse(at) + minutes * 60_000).toISOString(),
        ...body,
      },
    })
    const option = { kind: 'repair', title: 'Belts', hours: 2, people: 1, parts: [], access: 0, down: 0, years: 2 }
    const offer = said(1, {
      kind: 'offer',
      words: 'x',
      rate: 100,
      downHour: 0,
      options: [option],
      validUntil: '2026-12-31',
    })
    await bring(hand, [
      job,
      offer,
      said(2, {
        kind: 'decision',
        decision: 'approved',
        who: 'R',
        means: 'phone',
        chosen: { offerId: offer.body.id, option: 0 },
      }),
      said(3, { kind: 'closed', reason: 'no gauge', cause: 'wrong', hours: 3, money: 50 }),
    ])
    const after = await ask('?quarter=2026-Q4')
    expect(after.jobs.closed).toBe(before.jobs.closed + 1)
    expect(after.jobs.compared).toBe(before.jobs.compared + 1)
    expect(after.jobs.quoted - before.jobs.quoted).toBeCloseTo(200, 9)
    expect(after.jobs.cost - before.jobs.cost).toBeCloseTo(350, 9)
    expect(after.causes.wrong).toBe(before.causes.wrong + 1)
    expect(after.postponed.some((p) => p.title.startsWith('Replace the wheel') && p.grew !== null)).toBe(true)
    // In another quarter it is not.
    expect((await ask('?quarter=2026-Q3')).jobs.closed).toBe(0)
  })
  it('levels now are those of the list; past months are judged by what was known then', async () => {
    const list = (await hand.get('/machines?limit=1')).body as { counts: Record<string, number> }
    const now = (await ask()).levels.at(-1)
    expect(now).toMatchObject({
      stop: list.counts['stop'],
      fix: list.counts['fix'],
      watch: list.counts['watch'],
      ok: list.counts['ok'],
      unjudged: list.counts['not judged'],
    })
    // A server that ends leaves it, says nothing of it, and the next one does it.
    await stopFilling(world.deps)
    fillSoon(world.deps)
    await stopFilling(world.deps)
    expect(isFilling(world.deps)).toBe(false)
    await fillLevelDays(world.deps)
    expect(await fillLevelDays(world.deps)).toBe(0)
    const { levels } = await ask()
    expect(levels.length).toBe(7)
    const all = (l: Portfolio['levels'][number]) => l.ok + l.watch + l.fix + l.stop + l.unjudged
    expect(new Set(levels.map(all)).size).toBe(1)
    expect(levels.map((l) => l.day)).toEqual([...levels.map((l) => l.day)].sort())
  })
  it('a machine as it was known then has nothing that came later', async () => {
    const id = await hand.machine('RTU-12/SF')
    const [known] = await loadSnapshots(world.deps.db, [id])
    if (!known) throw new Error('no machine')
    const page = (await hand.get(`/machines/${id}`)).body as MachinePage
    const middle = page.visits[Math.floor(page.visits.length / 2)]?.takenAt ?? ''
    const then = snapshotAt(known, new Date(middle))
    expect(then.visits.length).toBeGreaterThan(0)
    expect(then.visits.length).toBeLessThan(known.visits.length)
    expect(then.visits.every((v) => v.takenAt <= middle)).toBe(true)
    expect(then.work.every((w) => w.doneAt <= middle)).toBe(true)
    expect(then.motors.filter((m) => m.removedAt === null).length).toBeLessThanOrEqual(1)
  })
  it('a finding stands in a past month until it was closed', async () => {
    const id = await hand.machine('AHU-2/SF')
    const at = (minute: number) => new Date(Date.parse('2026-11-24T10:00:00Z') + minute * 60_000).toISOString()
    const findingId = randomUUID()
    await bring(hand, [
      { kind: 'finding', body: { id: findingId, machineId: id, at: at(0), level: 'stop', text: 'Guard gone' } },
      {
        kind: 'finding-step',
        body: { id: randomUUID(), findingId, machineId: id, at: at(20), kind: 'closed', note: 'New guard fitted' },
      },
    ])
    const [known] = await loadSnapshots(world.deps.db, [id])
    if (!known) throw new Error('no machine')
    const stateAt = (minute: number) =>
      snapshotAt(known, new Date(at(minute))).findings.find((f) => f.id === findingId)?.state
    expect([stateAt(-1), stateAt(10), stateAt(30)]).toEqual([undefined, 'open', 'closed'])
    const levelAt = (minute: number) => judgeStanding(snapshotAt(known, new Date(at(minute))), defaultPolicies)?.level
    expect(levelAt(10)).toBe('stop')
    expect(levelAt(30)).toBe(levelAt(-1))
    expect(levelAt(-1)).not.toBe('stop')
  })
  it('is the same on paper, and of one site has that site alone', async () => {
    const pages = await pagesOf(await binaryOf(hand, '/portfolio.pdf'))
    expect(pages.length).toBeLessThanOrEqual(2)
    const p = await ask()
    expect(pages.join(' ')).toContain(`${p.jobs.closed} jobs closed`)
    expect(pages.join(' ')).toContain(p.models[0]?.model ?? '?')
    const { sites } = (await hand.get('/places')).body as { sites: { id: string; name: string }[] }
    const ofSites = await Promise.all(sites.map((s) => ask(`?site=${s.id}`)))
    const machines = (x: Portfolio) => x.energy.machines + x.energy.without
    expect(ofSites.reduce((sum, x) => sum + machines(x), 0)).toBe(machines(p))
    expect((await hand.get(`/portfolio?site=${randomUUID()}`)).status).toBe(404)
    expect((await hand.get('/portfolio?quarter=2026-Q9')).status).toBe(422)
  })
})
