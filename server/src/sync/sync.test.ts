import { randomUUID } from 'node:crypto'
import type { DueMachine, MachinePage, RoundPage } from '@motor-round/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { photo } from '../test/picture.test-help.ts'
import { bring, eventBody, todayOf } from '../test/rounds.test-help.ts'
import { openWorld, visitOf, type Caller, type World, refusedToAll } from '../test/world.ts'

let world: World
let lead: Caller
let hand: Caller
let viewer: Caller
beforeAll(async () => {
  world = await openWorld(true)
  lead = await world.as('vale')
  hand = await world.as('okonjo')
  viewer = await world.as('arden')
})
afterAll(() => world.end())

const today = () => todayOf(viewer)
const send = (entries: object[], who = hand) => bring(who, entries)

describe('a finding', () => {
  const of = async (machineId: string) => (await viewer.get(`/machines/${machineId}`)).body as MachinePage
  it('is synced once, brings the next visit forward, and ends when someone says what became of it', async () => {
    const machineId = await viewer.machine('RTU-21/SF')
    const body = {
      id: randomUUID(),
      machineId,
      roundId: (await today())?.id ?? '',
      at: '2026-11-25T08:00:00Z',
      level: 'fix',
      text: 'No belt guard',
      reviewOn: '2026-11-27',
    }
    const results = async (entries: object[], who = hand) =>
      ((await send(entries, who)).body as { results: { outcome: string; problem: { errors: object[] } | null }[] })
        .results
    expect((await results([{ kind: 'finding', body }])).map((r) => r.outcome)).toEqual(['applied'])
    expect((await results([{ kind: 'finding', body }])).map((r) => r.outcome)).toEqual(['duplicate'])
    expect((await of(machineId)).findings).toMatchObject([{ id: body.id, state: 'open', by: 'Mosi Okonjo' }])
    const round = (await viewer.get(`/rounds/${body.roundId}`)).body as RoundPage
    expect(round.findings.filter((f) => f.roundId === body.roundId).map((f) => f.text)).toEqual(['No belt guard'])
    const amps = async () => {
      const siteId = (await of(machineId)).site.id
      const all = (await viewer.get(`/due?sites=${siteId}`)).body as DueMachine[]
      return all.find((d) => d.machineId === machineId)?.tasks.find((t) => t.task === 'amps')
    }
    expect((await amps())?.dueAt.slice(0, 10)).toBe('2026-11-27')
    expect((await amps())?.why).toContain('“No belt guard” is to be looked at on Nov 27')
    const step = { id: randomUUID(), findingId: body.id, machineId, at: '2026-11-25T08:30:00Z' }
    const closed = await results(
      [
        { kind: 'finding-step', body: { ...step, kind: 'closed', note: ' ' } },
        { kind: 'finding-step', body: { ...step, id: randomUUID(), kind: 'closed', note: 'Guard is on.' } },
      ],
      lead,
    )
    expect(closed.map((r) => r.outcome)).toEqual(['rejected', 'applied'])
    expect(closed[0]?.problem?.errors).toMatchObject([{ path: 'body.note', message: 'enter the reason' }])
    expect((await of(machineId)).findings).toMatchObject([{ state: 'closed', steps: [{ by: 'Tamsin Vale' }] }])
    expect((await amps())?.why).not.toContain('belt guard')
  })
  it('is refused where its machine is not, and holds back what became of it', async () => {
    const machineId = randomUUID()
    const id = randomUUID()
    const at = '2026-11-25T08:00:00Z'
    const { results } = (
      await send([
        { kind: 'finding', body: { id, machineId, at, level: 'watch', text: 'Dry trap' } },
        {
          kind: 'finding-step',
          body: { id: randomUUID(), findingId: id, machineId, at, kind: 'closed', note: 'Filled.' },
        },
      ])
    ).body as { results: { outcome: string }[] }
    expect(results.map((r) => r.outcome)).toEqual(['rejected', 'blocked'])
  })
})

describe('facts of rounds', () => {
  const at = '2026-11-25T08:00:00Z'
  const outcomes = async (entries: object[]) =>
    (
      (await send(entries)).body as { results: { outcome: string; problem: { errors: object[] } | null }[] }
    ).results.map((r) => [r.outcome, ...(r.problem?.errors ?? [])])
  it('are refused at the field that names what is not there', async () => {
    const machineId = await viewer.machine('EF-2/EF')
    const other = await viewer.machine('EF-3/EF')
    const nowhere = randomUUID()
    const finding = { id: randomUUID(), machineId, at, level: 'watch', text: 'Loose panel' }
    const step = { id: randomUUID(), findingId: finding.id, machineId: other, at, kind: 'closed', note: 'Screwed on.' }
    expect(
      await outcomes([
        { kind: 'event', body: eventBody(nowhere, machineId, 'began') },
        { kind: 'finding', body: { ...finding, id: randomUUID(), roundId: nowhere } },
        { kind: 'finding', body: finding },
        { kind: 'finding-step', body: step },
        { kind: 'finding-step', body: { ...step, id: randomUUID(), machineId, findingId: nowhere } },
      ]),
    ).toEqual([
      ['rejected', { path: 'roundId', message: 'no such round' }],
      ['rejected', { path: 'roundId', message: 'no such round' }],
      ['applied'],
      ['rejected', { path: 'machineId', message: 'is not the machine of that finding' }],
      ['rejected', { path: 'findingId', message: 'no such finding' }],
    ])
    const page = (await viewer.get(`/machines/${machineId}`)).body as MachinePage
    expect(page.findings.find((f) => f.id === finding.id)).toMatchObject({ state: 'open', steps: [] })
  })
  it('stay as they are: the database itself refuses to change or drop them', async () => {
    const machineId = await viewer.machine('EF-2/EF')
    const round = (await today())?.id ?? ''
    const finding = { id: randomUUID(), machineId, at, level: 'watch', text: 'Loose panel' }
    const step = { id: randomUUID(), findingId: finding.id, machineId, at, kind: 'closed', note: 'Screwed on.' }
    await outcomes([
      { kind: 'event', body: eventBody(round, machineId, 'began') },
      { kind: 'finding', body: finding },
      { kind: 'finding-step', body: step },
    ])
    for (const sql of [
      `update round_events set note = 'x'`,
      'delete from round_events',
      `update findings set text = 'x'`,
      'delete from findings',
      `update finding_steps set note = 'x'`,
      'delete from finding_steps',
    ])
      await refusedToAll(world, sql)
  })
})

describe('what a phone syncs', () => {
  it('is kept in order and once, and a visit is judged and told who else was there', async () => {
    const machineId = await viewer.machine('RTU-12/SF')
    const round = (await today())?.id ?? ''
    const own = visitOf(machineId, [5.1, 5, 5.2])
    await lead.post('/visits', visitOf(machineId, [5, 5, 5]))
    const entries = [
      { kind: 'event', body: eventBody(round, machineId, 'added') },
      { kind: 'visit', body: own },
      {
        kind: 'picture',
        body: {
          id: randomUUID(),
          machineId,
          visitId: own.id,
          check: 'belts',
          takenAt: own.takenAt,
          type: 'image/jpeg',
          bytes: await photo(),
        },
      },
      { kind: 'event', body: eventBody(round, machineId, 'done', { visitId: own.id }) },
    ]
    const first = (await send(entries)).body as {
      results: { outcome: string; judged: object | null; others: { by: string }[] }[]
    }
    expect(first.results.map((r) => r.outcome)).toEqual(['applied', 'applied', 'applied', 'applied'])
    expect(first.results[1]?.judged).not.toBeNull()
    expect(first.results[1]?.others.map((o) => o.by)).toContain('Tamsin Vale')
    const again = (await send(entries)).body as typeof first
    expect(again.results.map((r) => r.outcome)).toEqual(['duplicate', 'duplicate', 'duplicate', 'duplicate'])
    const page = (await viewer.get(`/rounds/${round}`)).body as RoundPage
    expect(page.visits.find((s) => s.machineId === machineId)?.added).toBe(true)
    const kept = (await viewer.get(`/machines/${machineId}/pictures`)).body as { id: string; check: string }[]
    expect(kept).toMatchObject([{ check: 'belts', visitId: own.id, by: 'Mosi Okonjo' }])
    const bytes = await viewer.get(`/pictures/${kept[0]?.id ?? ''}`)
    expect(bytes.headers['content-type']).toBe('image/jpeg')
  })
  it('with one entry that is wrong keeps the others; what depends on the wrong one is blocked', async () => {
    const machineId = await viewer.machine('RTU-12/SF')
    const ghost = randomUUID()
    const found = {
      unit: { id: randomUUID(), areaId: randomUUID(), tag: 'EF-99', kind: 'EF' },
      machine: { id: ghost, tag: 'EF', phases: 3, serviceVolts: 480, drive: 'belt' },
    }
    const r = (
      await send([
        { kind: 'found', body: found },
        { kind: 'visit', body: visitOf(ghost, [5, 5, 5]) },
        { kind: 'visit', body: visitOf(machineId, [-5, 5, 5]) },
        { kind: 'nonsense', body: {} },
        { kind: 'work', body: { id: randomUUID(), machineId, doneAt: '2026-11-25T08:10:00Z', kind: 'greased' } },
      ])
    ).body as { results: { outcome: string; problem: { errors: { path: string }[] } | null }[] }
    expect(r.results.map((x) => x.outcome)).toEqual(['rejected', 'blocked', 'rejected', 'rejected', 'applied'])
    expect(r.results[0]?.problem?.errors[0]?.path).toBe('unit.areaId')
    expect(r.results[2]?.problem?.errors[0]?.path).toContain('body.readings')
  })
  it('with what no database keeps refuses that alone: half a character, a null byte, the year 0', async () => {
    const machineId = await viewer.machine('RTU-12/SF')
    const visit = (over: object) => ({ kind: 'visit', body: visitOf(machineId, [5, 5, 5], over) })
    const work = (over: object) => ({
      kind: 'work',
      body: { id: randomUUID(), machineId, doneAt: '2026-11-25T08:10:00Z', kind: 'greased', ...over },
    })
    const r = (
      await send([
        visit({ note: 'half \ud83d' }),
        visit({ note: 'null \u0000' }),
        visit({ answers: { 'restore.how': 'wire \udc00' } }),
        visit({ answers: { 'restore.how': 'wire \u0000' } }),
        visit({ takenAt: '0000-01-01T00:00:00Z' }),
        work({ doneAt: '0000-01-01T00:00:00Z' }),
        work({ note: '\ud800' }),
        work({}),
      ])
    ).body as { results: { outcome: string }[] }
    expect(r.results.map((x) => x.outcome)).toEqual([...Array.from({ length: 7 }, () => 'rejected'), 'applied'])
  })
  it('may be a unit nobody had on record', async () => {
    const area = ((await viewer.get('/places')).body as { areas: { id: string }[] }).areas[0]
    const id = randomUUID()
    const found = {
      unit: { id: randomUUID(), areaId: area?.id, tag: 'EF-98', kind: 'EF' },
      machine: { id, tag: 'EF', phases: 3, serviceVolts: 480, drive: 'belt' },
    }
    const r = (
      await send([
        { kind: 'found', body: found },
        { kind: 'visit', body: visitOf(id, [5, 5, 5]) },
      ])
    ).body as { results: { outcome: string }[] }
    expect(r.results.map((x) => x.outcome)).toEqual(['applied', 'applied'])
    expect(await viewer.machine('EF-98/EF')).toBe(id)
  })
  it('is refused from a viewer, and whole when it is no list', async () => {
    expect((await send([], viewer)).status).toBe(403)
    expect((await hand.post('/sync', { device: '', mutations: 5 })).status).toBe(422)
  })
  it('is no picture because it says so', async () => {
    const machineId = await viewer.machine('RTU-12/SF')
    const r = (
      await send([
        {
          kind: 'picture',
          body: {
            id: randomUUID(),
            machineId,
            visitId: null,
            takenAt: '2026-11-25T08:00:00Z',
            type: 'image/png',
            bytes: await photo(),
          },
        },
      ])
    ).body as { results: { problem: { detail: string } }[] }
    expect(r.results[0]?.problem.detail).toBe('bytes: is not image/png')
  })
})
