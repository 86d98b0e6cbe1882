import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openWorld, type Caller, type World } from '../test/world.ts'

let world: World
let lead: Caller
beforeAll(async () => {
  world = await openWorld(true)
  lead = await world.as('vale')
})
afterAll(() => world.end())

describe('policies', () => {
  it('when changed judge every machine again, with a trail', async () => {
    const before = (await lead.get('/policies')).body
    expect(before).toMatchObject({ version: 1, policies: { overAmp: 'plate' } })
    const id = await lead.machine('AHU-2/SF')
    expect((await lead.get(`/machines/${id}`)).body.judgement.level).toBe('fix')
    const changed = await lead.put('/policies', {
      policies: { ...before.policies, overAmp: 'service factor' },
      version: 1,
      why: 'winter',
    })
    expect(changed.status).toBe(200)
    const row = (await lead.get('/machines?q=ahu-2')).body.rows.find((r: { tag: string }) => r.tag === 'SF')
    expect(row.level).toBe('watch')
    expect((await lead.get('/audit?entity=policies')).body[0]).toMatchObject({
      by: 'Tamsin Vale',
      why: 'winter',
      changes: [{ field: 'overAmp', before: 'plate', after: 'service factor' }],
    })
  })
  it('tell beforehand which machines would change level, and keep nothing', async () => {
    const { policies, version } = (await lead.get('/policies')).body
    const none = await lead.post('/policies/effect', { policies })
    expect(none.body).toMatchObject({ changed: [] })
    expect(none.body.machines).toBeGreaterThan(60)
    const stricter = await lead.post('/policies/effect', { policies: { ...policies, insulation: 'form-wound 100' } })
    expect(stricter.status).toBe(200)
    const wet = stricter.body.changed.find((c: { unitTag: string }) => c.unitTag === 'EF-15')
    expect(wet).toMatchObject({ tag: 'EF', from: 'watch', to: 'fix' })
    expect((await lead.get('/policies')).body.version).toBe(version)
    const mechanic = await world.as('okonjo')
    expect((await mechanic.post('/policies/effect', { policies })).status).toBe(403)
  })
  it('refuse a stale edit, a fixed limit, a limit out of bounds, and silence about why', async () => {
    const { policies, version } = (await lead.get('/policies')).body
    const send = (over: object) => lead.put('/policies', { policies, version, why: 'test', ...over })
    expect((await send({ version: 1 })).status).toBe(409)
    expect((await send({ why: ' ' })).body.errors[0].path).toBe('why')
    expect(
      (await send({ policies: { ...policies, limits: { 'voltage-unbalance-stop': 0.06 } } })).body.errors[0],
    ).toMatchObject({ path: 'policies.limits.voltage-unbalance-stop' })
    expect((await send({ policies: { ...policies, limits: { 'current-unbalance-fix': 0.9 } } })).status).toBe(422)
    expect((await send({ policies: { ...policies, limits: { 'current-unbalance-watch': 0.1 } } })).status).toBe(422)
  })
})
