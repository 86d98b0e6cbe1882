import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openWorld, type Caller, type World } from '../test/world.ts'

let world: World
let lead: Caller
beforeAll(async () => {
  world = await openWorld(true)
  lead = await world.as('vale')
})
afterAll(() => world.end())

describe('house rules', () => {
  it('when changed judge every machine again, with a trail', async () => {
    const before = (await lead.get('/rules')).body
    expect(before).toMatchObject({ version: 1, rules: { overAmp: 'plate' } })
    const id = await lead.machine('AHU-2/SF')
    expect((await lead.get(`/machines/${id}`)).body.judgement.level).toBe('fix')
    const changed = await lead.put('/rules', {
      rules: { ...before.rules, overAmp: 'service factor' },
      version: 1,
      why: 'winter',
    })
    expect(changed.status).toBe(200)
    const row = (await lead.get('/roof?q=ahu-2')).body.rows.find((r: { tag: string }) => r.tag === 'SF')
    expect(row.level).toBe('watch')
    expect((await lead.get('/audit?entity=rules')).body[0]).toMatchObject({
      by: 'Tamsin Vale',
      why: 'winter',
      changes: [{ field: 'overAmp', before: 'plate', after: 'service factor' }],
    })
  })
  it('tell beforehand which machines would change level, and keep nothing', async () => {
    const { rules, version } = (await lead.get('/rules')).body
    const none = await lead.post('/rules/effect', { rules })
    expect(none.body).toMatchObject({ changed: [] })
    expect(none.body.machines).toBeGreaterThan(60)
    const stricter = await lead.post('/rules/effect', { rules: { ...rules, insulation: 'form-wound 100' } })
    expect(stricter.status).toBe(200)
    const wet = stricter.body.changed.find((c: { unitTag: string }) => c.unitTag === 'EF-15')
    expect(wet).toMatchObject({ tag: 'EF', from: 'watch', to: 'fix' })
    expect((await lead.get('/rules')).body.version).toBe(version)
    const mechanic = await world.as('okonjo')
    expect((await mechanic.post('/rules/effect', { rules })).status).toBe(403)
  })
  it('refuse a stale edit, a fixed limit, a limit out of bounds, and silence about why', async () => {
    const { rules, version } = (await lead.get('/rules')).body
    const send = (over: object) => lead.put('/rules', { rules, version, why: 'test', ...over })
    expect((await send({ version: 1 })).status).toBe(409)
    expect((await send({ why: ' ' })).body.errors[0].path).toBe('why')
    expect(
      (await send({ rules: { ...rules, limits: { 'voltage-unbalance-stop': 0.06 } } })).body.errors[0],
    ).toMatchObject({ path: 'rules.limits.voltage-unbalance-stop' })
    expect((await send({ rules: { ...rules, limits: { 'current-unbalance-fix': 0.9 } } })).status).toBe(422)
    expect((await send({ rules: { ...rules, limits: { 'current-unbalance-watch': 0.1 } } })).status).toBe(422)
  })
})
