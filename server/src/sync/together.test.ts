import { randomUUID } from 'node:crypto'
import type { MachinePage, RoundPage } from '@motor-round/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { predicted } from '../test/speed-changes.test-help.ts'
import { bring, eventBody, todayOf } from '../test/rounds.test-help.ts'
import { openWorld, visitOf, type Caller, type World } from '../test/world.ts'

let world: World
let lead: Caller
let hand: Caller
beforeAll(async () => {
  world = await openWorld(true)
  lead = await world.as('vale')
  hand = await world.as('okonjo')
})
afterAll(() => world.end())

const pageOf = async (id: string) => (await hand.get(`/machines/${id}`)).body as MachinePage

/** Wait until so many transactions of this database stand at a lock. */
async function waiting(n: number): Promise<void> {
  for (let tries = 0; tries < 1000; tries++) {
    const { rows } = await world.deps.pool.query<{ n: number }>(
      `select count(*)::int as n from pg_stat_activity where datname = current_database() and wait_event_type = 'Lock'`,
    )
    if ((rows[0]?.n ?? 0) >= n) return
    await new Promise((r) => setTimeout(r, 20))
  }
  throw new Error(`no ${n} transactions wait`)
}

/** Hold rows while others come to them, then let go of them. */
async function holding(lock: string, values: unknown[], meanwhile: () => Promise<void>): Promise<void> {
  const client = await world.deps.pool.connect()
  try {
    await client.query('begin')
    await client.query(lock, values)
    await meanwhile()
    await client.query('commit')
  } finally {
    client.release()
  }
}

/** Ask now, read later: a request of the test client leaves only when it is awaited. */
const sent = async (request: PromiseLike<{ status: number }>) => (await request).status

describe('two at once', () => {
  it('a visit and a change of the policies: it is judged by the rules that stand when it is written', async () => {
    const id = await hand.machine('AHU-2/SF')
    const { policies, version } = (await lead.get('/policies')).body as { policies: object; version: number }
    const asked: Promise<number>[] = []
    await holding(
      'select 1 from machine_states where machine_id = (select machine_id from machine_states where machine_id <> $1 order by machine_id desc limit 1) for update',
      [id],
      async () => {
        asked.push(
          sent(lead.put('/policies', { policies: { ...policies, overAmp: 'service factor' }, version, why: 'winter' })),
        )
        await waiting(1)
        asked.push(sent(hand.post('/visits', visitOf(id, [13.4, 13.3, 13.2]))))
        await waiting(2)
      },
    )
    expect(await Promise.all(asked)).toEqual([200, 200])
    const roof = (await hand.get('/machines?q=ahu-2&limit=50')).body as { rows: { machineId: string; level: string }[] }
    expect(roof.rows.find((r) => r.machineId === id)?.level).toBe('watch')
  })

  it('plans done together: the second begins where the first ended', async () => {
    const id = await hand.machine('AHU-2/SF')
    const speedChange = (turns: number) => ({
      id: randomUUID(),
      machineId: id,
      madeAt: '2026-11-25T07:00:00Z',
      change: { kind: 'turns', turns },
      predicted: { ...predicted, newBelt: null },
    })
    const speedChanges = [speedChange(3), speedChange(4)] as const
    for (const p of speedChanges) expect((await hand.post('/speed-changes', p)).status).toBe(200)
    const asked: Promise<number>[] = []
    await holding('select 1 from machines where id = $1 for update', [id], async () => {
      for (const [i, p] of speedChanges.entries()) {
        asked.push(
          sent(
            hand.post(`/speed-changes/${p.id}/done`, { workId: randomUUID(), doneAt: `2026-11-25T08:${i + 1}0:00Z` }),
          ),
        )
        await waiting(i + 1)
      }
    })
    expect(await Promise.all(asked)).toEqual([200, 200])
    const turned = (await pageOf(id)).work.filter((w) => w.kind === 'sheave-turned' && w.doneAt > '2026-11-25T08')
    expect(turned.map((w) => w.turns)).toEqual([
      { before: 2.5, after: 3 },
      { before: 3, after: 4 },
    ])
  })

  it('a unit found, sent again before the first answer came: it is there once and refused to nobody', async () => {
    const area = ((await hand.get('/places')).body as { areas: { id: string }[] }).areas[0]
    const body = {
      unit: { id: randomUUID(), areaId: area?.id, tag: 'EF-97', kind: 'EF' },
      machine: { id: randomUUID(), tag: 'EF', phases: 3, serviceVolts: 480, drive: 'belt' },
    }
    const again = async () =>
      ((await bring(hand, [{ kind: 'found', body }])).body as { results: { outcome: string }[] }).results[0]?.outcome
    const both: Promise<string | undefined>[] = []
    await holding('lock table units in share row exclusive mode', [], async () => {
      both.push(again())
      await waiting(1)
      both.push(again())
      await waiting(2)
    })
    expect((await Promise.all(both)).sort()).toEqual(['applied', 'duplicate'])
  })
})

describe('what is wrong with one thing', () => {
  it('a visit that was refused leaves its machine to be done', async () => {
    const round = await todayOf(hand)
    const page = (await hand.get(`/rounds/${round?.id}`)).body as RoundPage
    const machineId = page.visits[0]?.machineId ?? ''
    const visit = visitOf(machineId, [5, 5, 5], { takenAt: '2031-01-01T00:00:00Z' })
    const done = eventBody(page.head.id, machineId, 'done', { visitId: visit.id })
    const outcomes = async (entries: object[]) =>
      ((await bring(hand, entries)).body as { results: { outcome: string }[] }).results.map((r) => r.outcome)
    expect(
      await outcomes([
        { kind: 'visit', body: visit },
        { kind: 'event', body: done },
      ]),
    ).toEqual(['rejected', 'blocked'])
    // In a batch of its own it depends on nothing either.
    expect(await outcomes([{ kind: 'event', body: done }])).toEqual(['rejected'])
    const elsewhere = page.visits[1]?.machineId ?? ''
    const other = visitOf(elsewhere, [5, 5, 5])
    expect(
      await outcomes([
        { kind: 'visit', body: other },
        { kind: 'event', body: { ...done, id: randomUUID(), visitId: other.id } },
      ]),
    ).toEqual(['applied', 'rejected'])
    const now = (await hand.get(`/rounds/${round?.id}`)).body as RoundPage
    expect(now.events.filter((e) => e.kind === 'done' && e.machineId === machineId)).toEqual([])
  })

  it('a fan found on a unit on record stands on the site of that unit, wherever the phone had it', async () => {
    const id = await hand.machine('AHU-2/SF')
    const { unit, site } = await pageOf(id)
    const areas = ((await hand.get('/places')).body as { areas: { id: string; siteId: string }[] }).areas
    const elsewhere = areas.find((a) => a.siteId !== site.id)
    const fan = randomUUID()
    await bring(hand, [
      {
        kind: 'found',
        body: {
          unit: { id: unit.id, areaId: elsewhere?.id, tag: unit.tag, kind: 'other' },
          machine: { id: fan, tag: 'XF', phases: 3, serviceVolts: 480, drive: 'belt' },
        },
      },
    ])
    const page = await pageOf(fan)
    expect([page.machine.siteId, page.site.id, page.area.id]).toEqual([site.id, site.id, unit.areaId])
  })

  it('a stale edit is reported who changed that, not who was last at something near it', async () => {
    const id = await hand.machine('AHU-4/SF')
    const { machine, parts } = await pageOf(id)
    const { siteId: _s, retiredAt: _r, ...body } = machine
    expect((await lead.put(`/machines/${id}`, { ...body, purpose: 'Otter pool' })).status).toBe(200)
    // Somebody else corrects a visit of the machine and a part on it: not the machine.
    const first = visitOf(id, [5, 5, 5])
    await hand.post('/visits', first)
    await hand.post('/visits', visitOf(id, [5.1, 5, 5], { supersedes: first.id, reason: 'misread' }))
    const part = parts.find((p) => p.removedAt === null)
    if (!part) throw new Error('it has parts')
    const { id: partId, part: was, installedAt, why, substitute, version } = part
    const correct = (who: Caller, over: object) =>
      who.put(`/parts/${partId}`, { id: partId, part: was, installedAt, why, substitute, version, ...over })
    expect((await correct(hand, { why: 'read again' })).status).toBe(200)
    const stale = await hand.put(`/machines/${id}`, { ...body, purpose: 'Seal pool' })
    expect(stale.body).toMatchObject({ changedBy: 'Tamsin Vale' })
    expect((await correct(lead, { why: 'worn' })).body).toMatchObject({ changedBy: 'Mosi Okonjo' })
  })
})
