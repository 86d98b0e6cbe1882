import { randomUUID } from 'node:crypto'
import type { MachinePage } from '@motor-round/contract'
import { afterAll, beforeAll, expect, describe, it } from 'vitest'
import { bring, resultsOf } from '../test/rounds.test-help.ts'
import { openWorld, visitOf, type Caller, type World, refusedToAll } from '../test/world.ts'

let world: World
let hand: Caller
let machineId: string
beforeAll(async () => {
  world = await openWorld(true)
  hand = await world.as('okonjo')
  machineId = await hand.machine('AHU-6/SF')
})
afterAll(() => world.end())

const results = (entries: object[], who = hand) => resultsOf(who, entries)
const outcomes = async (entries: object[]) => (await results(entries)).map((r) => r.outcome)
const at = '2026-11-25T08:00:00.000Z'
const begun = (over: object = {}) => ({
  kind: 'trace',
  body: { id: randomUUID(), machineId, at, complaint: 'hums', words: 'Hums', ...over },
})
const step = (traceId: string, said: object) => ({
  kind: 'trace-step',
  body: { id: randomUUID(), traceId, machineId, at, ...said },
})
const tracesOf = async () => ((await hand.get(`/machines/${machineId}`)).body as MachinePage).traces

describe('a trace that was made offline', () => {
  it('is kept once with its steps in order, though all of it is sent twice', async () => {
    const trace = begun()
    const id = trace.body.id
    const result = step(id, { kind: 'result', test: 'spin', outcome: 'free' })
    const closed = step(id, { kind: 'closed', cause: 'leg-lost', confidence: 'likely', note: 'utility called' })
    expect(await outcomes([trace, result, closed])).toEqual(['applied', 'applied', 'applied'])
    expect(await outcomes([trace, result, closed])).toEqual(['duplicate', 'duplicate', 'duplicate'])
    const [kept] = (await tracesOf()).filter((t) => t.id === id)
    expect(kept).toMatchObject({ complaint: 'hums', by: 'Mosi Okonjo', words: 'Hums' })
    expect(kept?.steps.map((s) => s.kind).sort()).toEqual(['closed', 'result'])
    expect(kept?.steps).toContainEqual({ ...result.body, note: '', by: 'Mosi Okonjo' })
  })
  it.each([
    [{ kind: 'result', test: 'divining', outcome: 'free' }, 'test', '"divining" is not a test'],
    [{ kind: 'result', test: 'spin', outcome: 'backwards' }, 'outcome', '"backwards" is not a result of this test'],
    [{ kind: 'dropped', cause: 'gremlins', reason: 'no', p: 0.1 }, 'cause', '"gremlins" is not a cause'],
  ])('is refused at the field where it names what does not exist: %j', async (said, path, message) => {
    const trace = begun()
    const [, refused] = await results([trace, step(trace.body.id, said)])
    expect(refused).toMatchObject({ outcome: 'rejected', problem: { errors: [{ path, message }] } })
  })
  it('a step waits for its trace: where that was refused, it is blocked', async () => {
    const trace = begun({ complaint: 'haunted' })
    expect(await outcomes([trace, step(trace.body.id, { kind: 'setup', setup: 'locked out' })])).toEqual([
      'rejected',
      'blocked',
    ])
  })
  it('a step of another machine’s trace is refused', async () => {
    const trace = begun()
    const other = await hand.machine('AHU-8/RF')
    const wrong = step(trace.body.id, { kind: 'setup', setup: 'powered', machineId: other })
    const [, refused] = await results([trace, wrong])
    expect(refused).toMatchObject({ outcome: 'rejected', problem: { errors: [{ path: 'machineId' }] } })
  })
  it('is opened from a visit of its own machine, or from none', async () => {
    const [refused] = await results([begun({ visitId: randomUUID() })])
    expect(refused).toMatchObject({ outcome: 'rejected', problem: { errors: [{ path: 'visitId' }] } })
    const visit = visitOf(machineId, [5, 5.1, 5.2])
    expect(await outcomes([{ kind: 'visit', body: visit }, begun({ visitId: visit.id })])).toEqual([
      'applied',
      'applied',
    ])
  })
  it('is never changed or deleted', async () => {
    for (const sql of ['update traces set words = $$x$$', 'delete from trace_steps']) await refusedToAll(world, sql)
  })
  it('a viewer begins none', async () => {
    const viewer = await world.as('arden')
    const r = await bring(viewer, [begun()])
    expect(r.status).toBe(403)
  })
})

describe('what a trace finds', () => {
  const later = (minutes: number) => new Date(Date.parse(at) + minutes * 60_000).toISOString()
  let fan: string
  const page = async () => (await hand.get(`/machines/${fan}`)).body as MachinePage
  const level = async () => {
    const { judgement } = await page()
    const list = (await hand.get('/machines?limit=200')).body as { rows: { machineId: string; level: string | null }[] }
    const row = list.rows.find((r) => r.machineId === fan)
    // The list is never milder than the page.
    expect(row?.level).toBe(judgement?.level)
    return judgement?.level
  }
  const trace = begun({ complaint: 'trips', words: '' })
  const said = (minutes: number, what: object) => ({
    ...step(trace.body.id, what),
    body: { ...step(trace.body.id, what).body, machineId: fan, at: later(minutes) },
  })

  it('stands at its machine from the moment it is reported, however the trace ends, until it is closed with what was done', async () => {
    fan = await hand.machine('RTU-41/SF')
    trace.body.machineId = fan
    expect(await level()).toBe('ok')
    expect(await outcomes([trace])).toEqual(['applied'])
    expect(await level()).toBe('fix')
    expect((await page()).judgement?.headline).toBe('Reported: breaker or fuse opens. The cause is not found yet.')
    const ground = said(1, { kind: 'result', test: 'gnd-ohms', outcome: 'ground' })
    expect(await outcomes([said(1, { kind: 'result', test: 'breaker', outcome: 'tripped' }), ground])).toEqual([
      'applied',
      'applied',
    ])
    expect(await level()).toBe('stop')
    const finding = {
      kind: 'finding',
      body: { id: randomUUID(), machineId: fan, at: later(2), level: 'watch', text: 'Motor winding dead to ground.' },
    }
    await outcomes([said(2, { kind: 'closed', cause: 'gnd-dead', confidence: 'proven', note: '' }), finding])
    expect((await page()).judgement?.conditions.map((k) => k.key).sort()).toEqual([
      'breaker-found@',
      `finding@${finding.body.id}`,
      'winding-to-ground@T1,T2,T3',
    ])
    expect(await level()).toBe('stop')
    // Something else that was found later and closed answers nothing of it.
    const other = { kind: 'finding', body: { ...finding.body, id: randomUUID(), at: later(4), text: 'Screw missing.' } }
    const close = (findingId: string, note: string) => ({
      kind: 'finding-step',
      body: { id: randomUUID(), findingId, machineId: fan, at: later(5), kind: 'closed', note },
    })
    await outcomes([other, close(other.body.id, 'put in')])
    expect(await level()).toBe('stop')
    await outcomes([close(finding.body.id, 'motor replaced by the contractor')])
    expect(await level()).toBe('ok')
  })
  it('is gone with a result that was struck out, and back when it counts again', async () => {
    const other = begun({ complaint: null, words: '', machineId: fan })
    const of = (minutes: number, what: object) => ({
      ...step(other.body.id, what),
      body: { ...step(other.body.id, what).body, machineId: fan, at: later(minutes) },
    })
    // Nothing reported and nothing found: begun by mistake.
    await outcomes([other])
    expect(await level()).toBe('ok')
    const seized = of(5, { kind: 'result', test: 'spin', outcome: 'seized' })
    await outcomes([seized])
    expect(await level()).toBe('stop')
    await outcomes([of(6, { kind: 'struck', evidence: seized.body.id, reason: 'wrong unit' })])
    expect(await level()).toBe('watch')
    await outcomes([of(7, { kind: 'restored', evidence: seized.body.id })])
    expect(await level()).toBe('stop')
  })
})
