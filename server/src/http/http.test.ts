import { randomUUID } from 'node:crypto'
import { endpoints, type Endpoint, type MachinePage } from '@motor-round/contract'
import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bring } from '../test/rounds.test-help.ts'
import { openWorld, type Caller, type World } from '../test/world.ts'

let world: World
let lead: Caller
beforeAll(async () => {
  world = await openWorld(true)
  lead = await world.as('vale')
})
afterAll(() => world.end())

describe('problem details (RFC 9457)', () => {
  it.each([
    ['an address that is not there', () => lead.get('/nowhere'), 404],
    ['a body that is no JSON', () => lead.post('/sites').type('json').send('{oops'), 400],
    ['a body that is too large', () => lead.post('/visits', { note: 'x'.repeat(3_000_000) }), 413],
    ['an id that is none', () => lead.get('/machines/not-an-id'), 404],
    ['a machine that is not there', () => lead.get(`/machines/${randomUUID()}`), 404],
    ['a percent sign gone astray', () => lead.get('/machines/%E0%A4%A'), 400],
  ])('answer %s', async (_name, call, status) => {
    const r = await call()
    expect(r.status).toBe(status)
    expect(r.headers['content-type']).toContain('application/problem+json')
    expect(r.body).toMatchObject({ type: 'about:blank', status })
    expect(r.body.detail).not.toContain('at ')
  })
})

describe('whatever is sent', () => {
  const junk = fc.oneof(
    fc.anything({ maxDepth: 2 }),
    fc.dictionary(
      fc.constantFrom(
        'id',
        'name',
        'zone',
        'machineId',
        'readings',
        'takenAt',
        'plate',
        'policies',
        'version',
        'login',
      ),
      fc.anything({ maxDepth: 3 }),
    ),
  )
  it('never ends in a 500', async () => {
    const all = (Object.values(endpoints) as Endpoint[]).filter(
      (e) => e.method !== 'get' && e.id !== 'signOut' && e.id !== 'signIn' && e.id !== 'cancelImport',
    )
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...all), junk, async (e, body) => {
        const path = e.path.replace('{id}', randomUUID()).replace('{token}', 'x')
        const text = JSON.stringify(body) ?? '{}'
        const r = await (e.method === 'put' ? lead.put(path) : lead.post(path)).type('json').send(text)
        expect([r.status, r.status < 500 ? '' : r.body]).toEqual([expect.any(Number), ''])
      }),
      { numRuns: 250 },
    )
    expect(world.logged).toEqual([])
  })
})

describe('the OpenAPI document', () => {
  it('describes every endpoint of the contract, made from it', async () => {
    const doc = (await world.visitor().get('/openapi.json')).body
    expect(doc.openapi).toBe('3.1.0')
    const described = Object.values(doc.paths as Record<string, Record<string, { operationId: string }>>).flatMap((p) =>
      Object.values(p).map((o) => o.operationId),
    )
    expect(described.sort()).toEqual(Object.keys(endpoints).sort())
    const visit = doc.paths['/api/v1/visits'].post
    expect(visit.requestBody.content['application/json'].schema.properties.readings).toBeDefined()
    expect(visit.responses['4XX'].content['application/problem+json']).toBeDefined()
  })
})

describe('the calculators over the wire', () => {
  it('are the same register as at the terminal', async () => {
    const list = (await lead.get('/calc')).body as { id: string; example: object }[]
    for (const c of list) expect((await lead.post(`/calc/${c.id}`, c.example)).status).toBe(200)
    expect((await lead.post('/calc/voltage-unbalance', { lineVolts: [460, 467, 450] })).body.unbalance).toBeCloseTo(
      9 / 459,
    )
    expect((await lead.post('/calc/voltage-unbalance', { lineVolts: [0, 0, 0] })).body.errors).toEqual([
      { path: 'lineVolts', message: 'Line volts, V, must not all be zero.' },
    ])
    expect((await lead.post('/calc/none', {})).status).toBe(404)
  })
})

describe('headers', () => {
  it('forbid scripts of others and framing', async () => {
    const r = await world.visitor().get('/session')
    expect(r.headers['content-security-policy']).toContain("script-src 'self'")
    expect(r.headers['x-powered-by']).toBeUndefined()
    expect(r.headers['cache-control']).toBe('no-store')
  })
})

describe('what has not happened yet', () => {
  const later = '2026-11-27T10:00:00Z'
  it('is refused at its field with the clock of the server, whatever it is', async () => {
    const machineId = await lead.machine('AHU-6/SF')
    const page = (await lead.get(`/machines/${machineId}`)).body as MachinePage
    const entries = [
      { kind: 'finding', body: { id: randomUUID(), machineId, at: later, level: 'watch', text: 'Noise' } },
      { kind: 'job', body: { id: randomUUID(), machineId, at: later, title: 'Filters', kinds: ['filters'] } },
      { kind: 'trace', body: { id: randomUUID(), machineId, at: later, complaint: null } },
      { kind: 'work', body: { id: randomUUID(), machineId, doneAt: later, kind: 'belts-renewed', note: '' } },
    ]
    const { results } = (await bring(lead, entries)).body as {
      results: { outcome: string; problem: { errors: { message: string }[] } | null }[]
    }
    expect(results.map((r) => r.outcome)).toEqual(entries.map(() => 'rejected'))
    expect(results[0]?.problem?.errors[0]?.message).toBe(
      'is in the future: the server’s clock says Nov 25, 2026, 09:00 UTC. Check which clock is wrong',
    )
    const motor = { id: randomUUID(), replaces: page.motor?.id ?? null, plate: {}, connectionVolts: null }
    const installed = await lead.post(`/machines/${machineId}/motors`, { ...motor, installedAt: later })
    expect([installed.status, (installed.body as { errors: { path: string }[] }).errors[0]?.path]).toEqual([
      422,
      'installedAt',
    ])
  })
})
