import { randomUUID } from 'node:crypto'
import type { MachinePage, MachineRow } from '@motor-round/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bring } from '../test/rounds.test-help.ts'
import { openWorld, type Caller, type World } from '../test/world.ts'
import { turnDays } from './turn-days.ts'

let world: World
let hand: Caller
beforeAll(async () => {
  world = await openWorld(true)
  hand = await world.as('okonjo')
})
afterAll(() => world.end())

const at = '2026-11-25T08:00:00.000Z'
const pageOf = async (id: string) => (await hand.get(`/machines/${id}`)).body as MachinePage
const turnAt = (instant: string) => turnDays({ ...world.deps, now: () => new Date(instant) })
const listed = async (id: string, q: string) =>
  ((await hand.get(`/machines?q=${q}`)).body as { rows: MachineRow[] }).rows.find((r) => r.machineId === id)
const applied = async (entries: object[]) => {
  const { results } = (await bring(hand, entries)).body as { results: { outcome: string }[] }
  expect(results.map((r) => r.outcome)).toEqual(entries.map(() => 'applied'))
}

/** Changes whenever what judging reads of a machine does. */
const versionOf = async (id: string): Promise<unknown> =>
  (await world.deps.pool.query('select version from machine_versions where machine_id = $1', [id])).rows[0]

describe('a day that comes', () => {
  it('brings back a finding that was put off to it, once, on the page, in the list and to who asks again', async () => {
    const id = await hand.machine('AHU-8/RF')
    const finding = randomUUID()
    const before = await pageOf(id)
    expect(before.judgement?.level).toBe('ok')
    await applied([
      {
        kind: 'finding',
        body: { id: finding, machineId: id, at, text: 'Curb flashing torn', level: 'fix', owner: '', reviewOn: null },
      },
      {
        kind: 'finding-step',
        body: {
          id: randomUUID(),
          findingId: finding,
          machineId: id,
          at: '2026-11-25T08:05:00.000Z',
          kind: 'postponed',
          note: 'waits for the roofer',
          reviewOn: '2026-11-28',
        },
      },
    ])
    await turnAt('2026-11-27T12:00:00Z')
    const { headers } = await hand.get(`/machines/${id}`)
    expect((await pageOf(id)).judgement?.level).toBe('ok')
    await turnAt('2026-11-28T12:00:00Z')
    const after = await hand.get(`/machines/${id}`)
    expect(after.headers['etag']).not.toBe(headers['etag'])
    expect((after.body as MachinePage).judgement).toMatchObject({ level: 'fix', headline: 'Curb flashing torn' })
    expect(await listed(id, 'AHU-8')).toMatchObject({ level: 'fix', headline: 'Curb flashing torn' })
    // There is nothing more to come.
    const [row] = (await world.deps.pool.query('select turns_at from machine_states where machine_id = $1', [id])).rows
    expect(row).toEqual({ turns_at: null })
    const version = await versionOf(id)
    await turnAt('2026-11-29T12:00:00Z')
    expect(await versionOf(id)).toEqual(version)
  })
  it('ends a permit: the machine is at Stop until it is extended', async () => {
    const id = await hand.machine('AHU-6/SF')
    const job = randomUUID()
    const step = (said: object) => ({
      kind: 'job-step',
      body: { id: randomUUID(), jobId: job, machineId: id, at, ...said },
    })
    const permit = (until: string, given = at) =>
      step({ kind: 'permit', wrong: 'growls', limits: '12 A', accepts: 'Runa', until, readOn: until, at: given })
    await applied([
      { kind: 'job', body: { id: job, machineId: id, at, title: 'New bearings', kinds: ['filters'] } },
      permit('2026-11-27'),
    ])
    const { zone } = (await pageOf(id)).site
    expect(zone).not.toBe('UTC')
    const before = (await pageOf(id)).judgement?.level
    await turnAt('2026-11-27T23:00:00Z')
    expect((await pageOf(id)).judgement?.level).toBe(before)
    await turnAt('2026-11-28T12:00:00Z')
    const stopped = (await pageOf(id)).judgement
    expect(stopped).toMatchObject({ level: 'stop', headline: 'The permit to run it expired on Nov 27: growls' })
    await applied([permit('2026-12-02', '2026-11-25T08:30:00.000Z')])
    expect((await pageOf(id)).judgement?.level).toBe(before)
  })
})

describe('a permit', () => {
  it('is not given for what is at Stop, and says why', async () => {
    const id = await hand.machine('AHU-8/RF')
    const job = randomUUID()
    const finding = {
      id: randomUUID(),
      machineId: id,
      at,
      text: 'The cabinet is live',
      level: 'stop',
      owner: '',
      reviewOn: null,
    }
    const given = { wrong: 'x', limits: 'x', accepts: 'x', until: '2026-11-27', readOn: '2026-11-26' }
    const { results } = (
      await bring(hand, [
        { kind: 'finding', body: finding },
        { kind: 'job', body: { id: job, machineId: id, at, title: 'Ground it', kinds: ['filters'] } },
        { kind: 'job-step', body: { id: randomUUID(), jobId: job, machineId: id, at, kind: 'permit', ...given } },
      ])
    ).body as { results: { outcome: string; problem: { errors: { path: string; message: string }[] } | null }[] }
    expect(results.map((r) => r.outcome)).toEqual(['applied', 'applied', 'rejected'])
    expect(results[2]?.problem?.errors[0]).toEqual({
      path: 'wrong',
      message: 'no permit is given for this: The cabinet is live',
    })
  })
  it('is not accepted by who gives it', async () => {
    const id = await hand.machine('AHU-6/SF')
    const job = randomUUID()
    const given = { wrong: 'x', limits: 'x', accepts: 'Mosi Okonjo', until: '2026-11-27', readOn: '2026-11-26' }
    const { results } = (
      await bring(hand, [
        { kind: 'job', body: { id: job, machineId: id, at, title: 'Belts', kinds: ['filters'] } },
        { kind: 'job-step', body: { id: randomUUID(), jobId: job, machineId: id, at, kind: 'permit', ...given } },
      ])
    ).body as { results: { outcome: string; problem: { errors: { path: string }[] } | null }[] }
    expect(results.map((r) => r.problem?.errors[0]?.path ?? r.outcome)).toEqual(['applied', 'accepts'])
  })
})
