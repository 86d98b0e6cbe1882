import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openWorld, visitOf, type Caller, type World } from '../test/world.ts'

let world: World
let lead: Caller
let mechanic: Caller
beforeAll(async () => {
  world = await openWorld(true)
  lead = await world.as('vale')
  mechanic = await world.as('okonjo')
})
afterAll(() => world.end())

const machineBody = (unitId: string, tag: string) => ({
  id: randomUUID(),
  unitId,
  tag,
  purpose: 'Ticket hall return',
  phases: 3,
  serviceVolts: 480,
  drive: 'belt',
  hasVfd: false,
  hasTwin: false,
  unitPlate: null,
})

describe('places and machines', () => {
  it('are added from the outside in, and appear on the Roof as never seen', async () => {
    const site = await lead.post('/sites', { id: randomUUID(), name: 'Tern Point Depot', zone: 'America/Halifax' })
    const area = await lead.post('/areas', { id: randomUUID(), siteId: site.body.id, name: 'Depot roof', kind: 'roof' })
    const unit = await mechanic.post('/units', { id: randomUUID(), areaId: area.body.id, tag: 'RTU-1', kind: 'RTU' })
    const machine = await mechanic.post('/machines', machineBody(unit.body.id as string, 'SF'))
    expect([site.status, area.status, unit.status, machine.status]).toEqual([200, 200, 200, 200])
    const roof = await mechanic.get(`/machines?site=${String(site.body.id)}`)
    expect(roof.body.counts).toMatchObject({ 'not judged': 1 })
    expect(roof.body.rows[0]).toMatchObject({ unitTag: 'RTU-1', tag: 'SF', level: null })
    const twice = await mechanic.post('/machines', machineBody(unit.body.id as string, 'sf'))
    expect(twice.status).toBe(409)
    expect(twice.body.errors).toEqual([{ path: 'tag', message: 'that unit has a machine of that tag' }])
  })

  it('refuse bad input at its field', async () => {
    const r = await lead.post('/sites', { id: randomUUID(), name: '', zone: 'Mars/Olympus' })
    expect(r.status).toBe(422)
    expect(r.headers['content-type']).toContain('application/problem+json')
    expect(r.body.errors.map((e: { path: string }) => e.path)).toEqual(['name', 'zone'])
    const gone = await mechanic.post('/machines', machineBody(randomUUID(), 'SF'))
    expect(gone.body.errors[0].path).toBe('unitId')
  })

  it('tell a stale edit what changed, and by whom', async () => {
    const id = await mechanic.machine('AHU-4/SF')
    const before = (await mechanic.get(`/machines/${id}`)).body.machine
    const { siteId: _s, retiredAt: _r, ...body } = before
    expect((await lead.put(`/machines/${id}`, { ...body, purpose: 'Kelp hall supply' })).status).toBe(200)
    const stale = await mechanic.put(`/machines/${id}`, { ...body, purpose: 'Kelp gallery' })
    expect(stale.status).toBe(409)
    expect(stale.body).toMatchObject({ changedBy: 'Tamsin Vale', current: { purpose: 'Kelp hall supply', version: 2 } })
    expect((await mechanic.put(`/machines/${id}`, { ...body, version: 2, purpose: 'Kelp gallery' })).status).toBe(200)
  })

  it('leave the Roof when retired, and keep their past', async () => {
    const id = await lead.machine('EF-27/EF')
    const count = async () => (await lead.get('/machines')).body.total as number
    const before = await count()
    expect((await mechanic.post(`/machines/${id}/retire`, { version: 1, why: 'gone', retired: true })).status).toBe(403)
    expect((await lead.post(`/machines/${id}/retire`, { version: 1, why: '', retired: true })).status).toBe(422)
    expect((await lead.post(`/machines/${id}/retire`, { version: 1, why: 'Store closed', retired: true })).status).toBe(
      200,
    )
    expect(await count()).toBe(before - 1)
    const page = (await lead.get(`/machines/${id}`)).body
    expect(page.visits.length).toBeGreaterThan(10)
    const trail = (await lead.get(`/audit?id=${id}`)).body
    expect(trail[0]).toMatchObject({ what: 'machine retired', why: 'Store closed', by: 'Tamsin Vale' })
  })
})

describe('motors', () => {
  const fit = (over: object = {}) => ({
    id: randomUUID(),
    plate: { phases: 3, power: 7.5, powerUnit: 'hp', volts: '460', amps: '9.6', hz: '60', rpm: 1750 },
    connectionVolts: null,
    installedAt: '2026-11-24T18:00:00Z',
    why: 'same frame',
    removedWhy: 'bearing gone',
    ...over,
  })

  it('when replaced keep the old one, set a new limit and a new baseline from that day', async () => {
    const id = await mechanic.machine('AHU-1/SF')
    const before = (await mechanic.get(`/machines/${id}`)).body
    const sent = fit()
    expect((await mechanic.post(`/machines/${id}/motors`, sent)).status).toBe(200)
    expect((await mechanic.post(`/machines/${id}/motors`, sent)).body.id).toBe(sent.id)
    const after = (await mechanic.get(`/machines/${id}`)).body
    expect(after.motor).toMatchObject({ id: sent.id, plate: { amps: '9.6' } })
    expect(after.pastMotors).toHaveLength(1)
    expect(after.pastMotors[0]).toMatchObject({ id: before.motor.id, removedWhy: 'bearing gone' })
    // The last reading was taken with the old motor: new ones are asked for.
    expect(after.judgement.verdicts.map((v: { check: string }) => v.check)).toContain('retest')
    const saved = await mechanic.post('/visits', visitOf(id, [10.2, 10.1, 10.3]))
    expect(saved.body.judgement.rail.allowed).toBe(9.6)
    expect(saved.body.judgement.level).toBe('fix')
    expect(saved.body.judgement.usual).toBeNull()
  })

  it('are not installed before the one in place', async () => {
    const id = await mechanic.machine('AHU-2/RF')
    const r = await mechanic.post(`/machines/${id}/motors`, fit({ installedAt: '2001-01-01T00:00:00Z' }))
    expect(r.status).toBe(422)
    expect(r.body.errors[0].path).toBe('installedAt')
  })

  it('refuse a plate whose columns cannot be read, naming the cell', async () => {
    const id = await mechanic.machine('AHU-2/RF')
    const r = await mechanic.post(`/machines/${id}/motors`, fit({ plate: { volts: '208-230/460', amps: '1/2/3/4' } }))
    expect(r.body.errors).toEqual([{ path: 'plate.amps', message: '"1/2/3/4" has 4 figures for 3 voltages' }])
    const both = await mechanic.post(
      `/machines/${id}/motors`,
      fit({ plate: { volts: '460', amps: '9', unreadable: ['amps'] } }),
    )
    expect(both.body.errors[0].path).toBe('plate.amps')
  })

  it('have their plate corrected with a trail, and the machine judged again', async () => {
    const id = await mechanic.machine('EF-12/EF')
    const { motor, judgement } = (await mechanic.get(`/machines/${id}`)).body
    expect(judgement.verdicts.map((v: { check: string }) => v.check)).toContain('no-plate')
    const { amps: _a, unreadable: _u, ...rest } = motor.plate
    const body = {
      id: motor.id,
      version: motor.version,
      plate: { ...rest, amps: '7.5' },
      connectionVolts: null,
      installedAt: motor.installedAt,
      why: '',
      substitute: false,
    }
    expect((await mechanic.put(`/motors/${String(motor.id)}`, body)).status).toBe(200)
    expect((await mechanic.put(`/motors/${String(motor.id)}`, body)).status).toBe(409)
    const after = (await mechanic.get(`/machines/${id}`)).body
    expect(after.judgement.rail.allowed).toBe(7.5)
    expect((await mechanic.get(`/audit?id=${String(motor.id)}`)).body[0].changes).toContainEqual({
      field: 'amps',
      before: null,
      after: '7.5',
    })
  })
})

describe('controls of a machine', () => {
  it('are kept, shown, and left as they are by an edit that does not name them', async () => {
    const lead = await world.as('vale')
    const id = await lead.machine('EF-1/EF')
    const { machine } = (await lead.get(`/machines/${id}`)).body
    const { siteId: _s, retiredAt: _r, ...body } = machine
    const controls = { ...machine.controls, starter: 'starter', protection: 'breaker', protectionAmps: 20 }
    const edited = await lead.put(`/machines/${id}`, { ...body, controls })
    expect(edited.body).toMatchObject({ controls: { starter: 'starter', protectionAmps: 20 } })
    const { controls: _c, ...without } = body
    const again = await lead.put(`/machines/${id}`, { ...without, version: machine.version + 1, purpose: 'Galley' })
    expect(again.body).toMatchObject({ purpose: 'Galley', controls: { starter: 'starter', protectionAmps: 20 } })
    const wrong = await lead.put(`/machines/${id}`, {
      ...without,
      version: machine.version + 2,
      controls: { ...controls, protectionAmps: -1 },
    })
    expect([wrong.status, wrong.body.errors[0].path]).toEqual([422, 'controls.protectionAmps'])
  })
})
