import { randomUUID } from 'node:crypto'
import type { MachinePage, VfdPage, VfdRead } from '@motor-round/contract'
import { practiceRegisters, shippedProfiles } from '@motor-round/core/vfd'
import { demoVfds } from '@motor-round/demo'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openWorld, refusedToAll, type Caller, type World } from '../test/world.ts'
import { writeRegisters } from './modbus.ts'
import { serveStandIn, standInOf } from './stand-in.ts'

let world: World
let lead: Caller
let mechanic: Caller
let id: string
let port = 0
let end: () => Promise<void> = () => Promise.resolve()
const [, returnFan] = demoVfds
beforeAll(async () => {
  if (!returnFan) throw new Error('no drive')
  ;({ port, end } = await serveStandIn(standInOf(returnFan), 0, 40))
  world = await openWorld(true)
  lead = await world.as('vale')
  mechanic = await world.as('okonjo')
  id = await mechanic.machine('AHU-3/RF')
})
afterAll(async () => {
  await end()
  await world.end()
})

const link = () => ({ host: '127.0.0.1', port, unit: 1, profileId: 'northrail-p200', mayWrite: true })
const practice = (register: number, value: number) =>
  writeRegisters({ at: { host: '127.0.0.1', port, unit: 1 }, register, words: [value] })
const pageOf = async () => (await mechanic.get(`/machines/${id}`)).body as MachinePage
const read = async (settings: boolean) =>
  (await mechanic.post(`/machines/${id}/vfd/read`, { settings })).body as VfdRead
const settingsOf = (set: object, over: object = {}) => ({
  id: randomUUID(),
  visitId: randomUUID(),
  takenAt: '2026-11-25T08:30:00Z',
  how: 'read',
  set,
  ...over,
})
const keep = (body: object) => mechanic.post(`/machines/${id}/vfd/settings`, body)
const condition = async () => (await pageOf()).judgement?.verdicts.find((v) => v.check === 'drive-settings')
const until = async (done: (r: VfdRead) => boolean) => {
  for (let i = 0; i < 100; i++) {
    const now = await read(false)
    if (done(now)) return now
    await new Promise((go) => setTimeout(go, 100))
  }
  throw new Error('never')
}

describe('where a drive answers', () => {
  it('is entered by a lead, at its fields', async () => {
    expect((await mechanic.put(`/machines/${id}/vfd/link`, link())).status).toBe(403)
    const wrong = await lead.put(`/machines/${id}/vfd/link`, { ...link(), host: 'http://x/', profileId: 'none' })
    expect(wrong.body.errors[0].path).toBe('host')
    const none = await lead.put(`/machines/${id}/vfd/link`, { ...link(), profileId: 'none' })
    expect(none.body.errors).toEqual([{ path: 'profileId', message: 'no such profile' }])
    expect(((await lead.put(`/machines/${id}/vfd/link`, link())).body as VfdPage).link).toMatchObject({
      port,
      by: 'Tamsin Vale',
    })
  })
  it('is refused of a machine without a drive', async () => {
    const other = await mechanic.machine('AHU-1/SF')
    expect((await lead.put(`/machines/${other}/vfd/link`, link())).status).toBe(422)
    expect((await mechanic.post(`/machines/${other}/vfd/read`, {})).status).toBe(409)
  })
})

describe('a drive that is read', () => {
  it('gives what it shows, and its settings where they are asked for', async () => {
    const now = await until((r) => (r.reading.values.hz ?? 0) > 46.9)
    expect(now.settings).toBeNull()
    expect(now.reading.values.amps).toBeGreaterThan(3)
    expect(now.reading.status).toMatchObject({ running: true, fault: false })
    expect((await read(true)).settings?.set).toMatchObject({ 'overload-amps': 17, 'plate-amps': 9.8 })
  })
  it('that is not there is told with what to check', async () => {
    const supply = await mechanic.machine('AHU-3/SF')
    await lead.put(`/machines/${supply}/vfd/link`, { ...link(), port: 9 })
    const r = await mechanic.post(`/machines/${supply}/vfd/read`, {})
    expect(r.status).toBe(502)
    expect(r.body.detail).toMatch(/^The drive at 127\.0\.0\.1, port 9, was not read\. .*Check the port/)
  })
  it('whose profile is another one is told, and gives no figures', async () => {
    await lead.put(`/machines/${id}/vfd/link`, { ...link(), profileId: 'corvid-vx4' })
    const r = await mechanic.post(`/machines/${id}/vfd/read`, {})
    expect([r.status, r.body.detail]).toEqual([502, expect.stringContaining('no such register')])
    await lead.put(`/machines/${id}/vfd/link`, link())
  })
})

describe('settings of a drive', () => {
  it('that are wrong are a condition of the machine until they are right', async () => {
    const { settings } = await read(true)
    const body = settingsOf(settings?.set ?? {})
    expect((await keep(body)).status).toBe(200)
    // Sent twice it is kept once.
    expect(((await keep(body)).body as VfdPage).settings).toHaveLength(1)
    expect(await condition()).toMatchObject({
      level: 'fix',
      because:
        'A setting of the drive is wrong. Overload set for 17 A on a 9.8 A motor: it will not trip before the winding is hurt.',
    })
    expect((await pageOf()).judgement?.level).toBe('fix')
    // Plain amps do not answer it.
    await mechanic.post('/visits', {
      id: randomUUID(),
      machineId: id,
      takenAt: '2026-11-25T08:40:00Z',
      state: { settled: true, mode: 'normal', filters: null, panels: 'on', twin: null, turning: 'right way' },
      readings: ['L1', 'L2', 'L3'].map((position) => ({ quantity: 'amps', position, value: 7.4 })),
    })
    expect(await condition()).toMatchObject({ level: 'fix' })
    const right = settingsOf(
      { ...settings?.set, 'overload-amps': 9.8 },
      { takenAt: '2026-11-25T08:45:00Z', why: 'Set to the nameplate' },
    )
    await keep(right)
    expect((await condition())?.level ?? 'ok').toBe('ok')
  })
  it('that nobody explains are told as changed', async () => {
    const [last] = ((await mechanic.get(`/machines/${id}/vfd`)).body as VfdPage).settings
    await keep(settingsOf({ ...last?.set, accel: 20 }, { takenAt: '2026-11-25T08:50:00Z' }))
    expect(await condition()).toMatchObject({
      level: 'watch',
      because: 'Settings of the drive were changed, and nobody recorded why. Changed: Acceleration time 30 s → 20 s.',
    })
    await keep(settingsOf({ ...last?.set, accel: 20 }, { takenAt: '2026-11-25T08:55:00Z' }))
    // Read again it is as it was: the change stays one until a reason is given, or it is set back.
    expect(await condition()).toMatchObject({ level: 'watch' })
    await keep(
      settingsOf({ ...last?.set, accel: 20 }, { takenAt: '2026-11-25T08:58:00Z', why: 'Slow start of the tank fans' }),
    )
    expect((await condition())?.level ?? 'ok').toBe('ok')
  })
  it('are refused by field where they cannot be', async () => {
    const r = await keep(settingsOf({ 'max-hz': 900 }))
    expect(r.body.errors).toEqual([{ path: 'set.max-hz', message: 'maximum frequency lies between 0 and 400 Hz' }])
    expect((await keep(settingsOf({}))).status).toBe(422)
    expect((await keep(settingsOf({ accel: 20 }, { takenAt: '2026-11-28T09:00:00Z' }))).status).toBe(422)
  })
  it('are facts', () => refusedToAll(world, `update vfd_settings set why = 'none'`))
})

describe('a setting that is written', () => {
  const write = (over: object = {}) => ({
    id: randomUUID(),
    visitId: randomUUID(),
    takenAt: '2026-11-25T09:00:00Z',
    parameter: 'overload-amps',
    value: 9.8,
    why: 'Set to the nameplate',
    ...over,
  })
  it('needs a stopped drive, a lead, and a reason', async () => {
    expect((await mechanic.post(`/machines/${id}/vfd/write`, write())).status).toBe(403)
    const running = await lead.post(`/machines/${id}/vfd/write`, write())
    expect([running.status, running.body.detail]).toEqual([409, expect.stringContaining('Stop it first')])
    expect((await lead.post(`/machines/${id}/vfd/write`, write({ why: ' ' }))).status).toBe(422)
  })
  it('is written, read back, kept with its reason, and in the change log', async () => {
    await practice(practiceRegisters.run, 0)
    await until((r) => r.reading.status.running === false)
    const r = await lead.post(`/machines/${id}/vfd/write`, write())
    const [newest] = (r.body as VfdPage).settings
    expect(newest).toMatchObject({ how: 'written', why: 'Set to the nameplate', set: { 'overload-amps': 9.8 } })
    expect((await read(true)).settings?.set['overload-amps']).toBeCloseTo(9.8, 4)
    const audit = (await lead.get('/audit')).body as { entries?: { what: string }[] }
    expect(JSON.stringify(audit)).toContain('drive setting written')
  })
  it('is refused where the profile or the connection does not allow it', async () => {
    const fixed = await lead.post(`/machines/${id}/vfd/write`, write({ parameter: 'carrier', value: 4 }))
    expect(fixed.body.errors[0].path).toBe('parameter')
    await lead.put(`/machines/${id}/vfd/link`, { ...link(), mayWrite: false })
    const r = await lead.post(`/machines/${id}/vfd/write`, write())
    expect([r.status, r.body.detail]).toEqual([409, expect.stringContaining('not allowed')])
    await lead.put(`/machines/${id}/vfd/link`, link())
  })
})

describe('a kind of drive', () => {
  const [shipped] = shippedProfiles
  it('is added by a lead, checked at its fields, and none that ships is replaced', async () => {
    const own = { ...shipped, id: 'pellicer-a1', maker: 'Pellicer', model: 'A1' }
    expect((await mechanic.post('/vfd-profiles', own)).status).toBe(403)
    expect((await lead.post('/vfd-profiles', own)).status).toBe(200)
    expect((await lead.post('/vfd-profiles', shipped)).status).toBe(409)
    const wrong = await lead.post('/vfd-profiles', { ...own, status: { ...own.status, bits: { ready: 40 } } })
    expect(wrong.body.errors[0].path).toBe('status.bits.ready')
    const list = (await mechanic.get('/vfd-profiles')).body as { profile: { id: string }; shipped: boolean }[]
    expect(list.map((p) => [p.profile.id, p.shipped])).toEqual([
      ['corvid-vx4', true],
      ['northrail-p200', true],
      ['pellicer-a1', false],
    ])
  })
})
