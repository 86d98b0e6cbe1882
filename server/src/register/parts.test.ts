import { randomUUID } from 'node:crypto'
import type { AirMover, MachinePage, PartRecord } from '@motor-round/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openWorld, visitOf, type Caller, type World } from '../test/world.ts'

let world: World
let mechanic: Caller
let machine: string
beforeAll(async () => {
  world = await openWorld(true)
  mechanic = await world.as('okonjo')
  machine = await mechanic.machine('RTU-12/SF')
})
afterAll(() => world.end())

const partsOf = async (id = machine) => (await mechanic.get(`/machines/${id}`)).body.parts as PartRecord[]
const inSlot = async (slot: string, id = machine) =>
  (await partsOf(id)).find((p) => p.part.slot === slot && p.removedAt === null)
const belts = (number: number, over: object = {}) => ({
  id: randomUUID(),
  part: { slot: 'belts', spec: { section: 'ax', number, count: 1 } },
  installedAt: '2026-11-24T10:00:00Z',
  why: 'matched set',
  removedWhy: 'cracked',
  ...over,
})

describe('what is installed', () => {
  it('is put into its slot; what was there goes out then, for that reason, and both are kept', async () => {
    const before = await inSlot('belts')
    const body = belts(58)
    const r = await mechanic.post(`/machines/${machine}/parts`, body)
    expect(r.status).toBe(200)
    expect(r.body).toMatchObject({
      part: { slot: 'belts', spec: { section: 'AX', number: 58 } },
      installedBy: 'Mosi Okonjo',
    })
    const parts = await partsOf()
    expect(parts.find((p) => p.id === before?.id)).toMatchObject({
      removedAt: '2026-11-24T10:00:00.000Z',
      removedWhy: 'cracked',
    })
    // Sent again it is one.
    expect((await mechanic.post(`/machines/${machine}/parts`, body)).body.id).toBe(body.id)
    expect((await partsOf()).length).toBe(parts.length)
  })
  it('begins a new baseline: the trend of the amps does not reach across it', async () => {
    const page = (await mechanic.get(`/machines/${machine}`)).body
    expect(page.judgement.drift).toMatchObject({ kind: 'too few' })
    const saved = await mechanic.post('/visits', visitOf(machine, [5.6, 5.5, 5.6]))
    expect(saved.body.judgement.verdicts.map((v: { check: string }) => v.check)).toContain('after-work')
  })
  it('is refused at its field: what is no such section, no such slot, before what is in place, or leaves no diameter', async () => {
    const errors = async (body: object) =>
      ((await mechanic.post(`/machines/${machine}/parts`, body)).body.errors as { path: string }[]).map((e) => e.path)
    expect(await errors(belts(58, { part: { slot: 'belts', spec: { section: 'Q', number: 58, count: 1 } } }))).toEqual([
      'part.spec.section',
    ])
    expect(await errors(belts(58, { part: { slot: 'flywheel', spec: {} } }))).toEqual(['part.slot'])
    expect(await errors(belts(58, { installedAt: '2020-01-01T00:00:00Z' }))).toEqual(['installedAt'])
    const sheave = {
      type: 'adjustable',
      section: 'A',
      closed: 40,
      perTurn: 10,
      most: 5,
      least: 0.5,
      step: 0.5,
      grooves: 1,
      turns: 2,
    }
    expect(
      (await mechanic.post(`/machines/${machine}/parts`, belts(1, { part: { slot: 'motor-sheave', spec: sheave } })))
        .status,
    ).toBe(422)
    const viewer = await world.as('arden')
    expect((await viewer.post(`/machines/${machine}/parts`, belts(58))).status).toBe(403)
  })
  it('ends a life only where it wore out or failed, by what was chosen and not by what was written', async () => {
    const ended = async () =>
      ((await mechanic.get('/part-lives')).body as { slot: string; ended: number }[]).find((l) => l.slot === 'belts')
        ?.ended ?? 0
    const before = await ended()
    await mechanic.post(
      `/machines/${machine}/parts`,
      belts(59, { installedAt: '2026-11-24T10:01:00Z', removedFor: 'other', removedWhy: 'failed to suit the speed' }),
    )
    await mechanic.post(
      `/machines/${machine}/parts`,
      belts(60, { installedAt: '2026-11-24T10:02:00Z', removedFor: 'schedule' }),
    )
    await mechanic.post(`/machines/${machine}/parts`, belts(58, { installedAt: '2026-11-24T10:03:00Z' }))
    expect(await ended()).toBe(before)
    const worn = await mechanic.post(
      `/machines/${machine}/parts`,
      belts(58, { installedAt: '2026-11-24T10:04:00Z', removedFor: 'worn' }),
    )
    expect(worn.status).toBe(200)
    expect(await ended()).toBe(before + 1)
    const out = (await partsOf()).filter((p) => p.part.slot === 'belts' && p.removedAt?.startsWith('2026-11-24T10:0'))
    expect(out.map((p) => p.removedFor)).toEqual([null, 'other', 'schedule', null, 'worn'])
  })
  it('is corrected with its version, never moved to another slot, and taken out with a reason', async () => {
    const wheel = await inSlot('wheel')
    if (wheel?.part.slot !== 'wheel') throw new Error('no wheel')
    const edit = {
      id: wheel.id,
      part: wheel.part,
      installedAt: wheel.installedAt,
      why: wheel.why,
      substitute: false,
      version: wheel.version,
    }
    const r = await mechanic.put(`/parts/${wheel.id}`, {
      ...edit,
      part: { slot: 'wheel', spec: { ...wheel.part.spec, clips: 2 } },
    })
    expect(r.body).toMatchObject({ version: 2, part: { spec: { clips: 2 } } })
    expect((await mechanic.put(`/parts/${wheel.id}`, edit)).status).toBe(409)
    const moved = await mechanic.put(`/parts/${wheel.id}`, {
      ...edit,
      version: 2,
      part: { slot: 'filters', spec: { count: 2, size: '20 × 20' } },
    })
    expect(moved.body.errors).toMatchObject([{ path: 'part.slot' }])
    expect(
      (
        await mechanic.post(`/parts/${wheel.id}/remove`, {
          version: 2,
          removedAt: '2026-11-24T12:00:00Z',
          removedWhy: '',
        })
      ).status,
    ).toBe(422)
    const out = { version: 2, removedAt: '2026-11-24T12:00:00Z', removedWhy: 'to be balanced' }
    expect((await mechanic.post(`/parts/${wheel.id}/remove`, out)).body).toMatchObject({ removedWhy: 'to be balanced' })
    expect((await mechanic.post(`/parts/${wheel.id}/remove`, { ...out, version: 3 })).status).toBe(409)
    expect(await inSlot('wheel')).toBeUndefined()
  })
  it('of two people who fit at once the slower is told, and one part is in the slot', async () => {
    const other = await mechanic.machine('RTU-11/SF')
    const both = await Promise.all([
      mechanic.post(`/machines/${other}/parts`, belts(60)),
      mechanic.post(`/machines/${other}/parts`, belts(61)),
    ])
    expect(both.map((r) => r.status).sort()).toEqual([200, 422])
    const now = (await partsOf(other)).filter((p) => p.part.slot === 'belts' && p.removedAt === null)
    expect(now).toHaveLength(1)
  })
  it('comes to lives by kind, the ones still in service counted', async () => {
    const lives = (await mechanic.get('/part-lives')).body as {
      slot: string
      n: number
      ended: number
      median: number
    }[]
    const own = lives.find((l) => l.slot === 'belts')
    expect(own?.n).toBeGreaterThan(50)
    expect(own?.ended).toBeGreaterThan(20)
    expect(own?.median).toBeGreaterThan(400)
    expect(lives.map((l) => l.slot)).toContain('motor')
  })
  it('turns are only of an adjustable sheave, and no more than it has', async () => {
    const work = (turns: object, over: object = {}) => ({
      id: randomUUID(),
      machineId: machine,
      doneAt: '2026-11-24T14:00:00Z',
      kind: 'sheave-turned',
      turns,
      ...over,
    })
    expect((await mechanic.post('/work', work({ before: 2, after: 9 }))).body.errors).toMatchObject([
      { path: 'turns.after' },
    ])
    expect(
      (await mechanic.post('/work', work({ before: 2, after: 2.5 }, { kind: 'greased' }))).body.errors,
    ).toMatchObject([{ path: 'turns' }])
    const direct = await mechanic.machine('EF-26/EF')
    expect((await mechanic.post('/work', work({ before: 2, after: 2.5 }, { machineId: direct }))).status).toBe(422)
    const r = await mechanic.post('/work', work({ before: 2, after: 2.5 }))
    expect(r.body).toMatchObject({ turns: { before: 2, after: 2.5 } })
  })
})

describe('the air of an area', () => {
  it('lists its fans with what each is to the building and what it moved last, corrected readings left out', async () => {
    const page = (await mechanic.get(`/machines/${machine}`)).body as MachinePage
    const air = async () =>
      (await mechanic.get(`/areas/${page.area.id}/air`)).body as { areaName: string; movers: AirMover[] }
    const before = await air()
    expect(before.areaName).toBe('Departures hall roof')
    const of = (list: AirMover[], tag: string) => list.find((m) => `${m.unitTag}/${m.tag}` === tag)
    expect(of(before.movers, 'EF-1/EF')).toMatchObject({ air: 'exhaust' })
    expect(of(before.movers, 'MAU-1/SF')).toMatchObject({ air: 'make-up' })
    expect(of(before.movers, 'AHU-1/RF')).toMatchObject({ air: 'inside' })
    expect(of(before.movers, 'RTU-12/SF')?.flow).toBeGreaterThan(500)
    const wrong = visitOf(machine, [5.5, 5.5, 5.5], { takenAt: '2026-11-25T08:20:00Z' })
    await mechanic.post('/visits', {
      ...wrong,
      readings: [...wrong.readings, { quantity: 'air_flow', position: 'fan', value: 31000 }],
    })
    expect(of((await air()).movers, 'RTU-12/SF')?.flow).toBe(31000)
    await mechanic.post('/visits', {
      ...wrong,
      id: randomUUID(),
      supersedes: wrong.id,
      reason: 'a nought too many',
      readings: [...wrong.readings, { quantity: 'air_flow', position: 'fan', value: 3100 }],
    })
    expect(of((await air()).movers, 'RTU-12/SF')?.flow).toBe(3100)
    expect((await mechanic.get(`/areas/${randomUUID()}/air`)).status).toBe(404)
  })
  it('tells a machine what others of its kind carry', async () => {
    const page = (await mechanic.get(`/machines/${machine}`)).body as MachinePage
    expect(page.peers.map((p) => p.tag)).toContain('RTU-11 / SF')
    expect(page.peers.map((p) => p.tag)).not.toContain('RTU-12 / SF')
    for (const p of page.peers) expect(p.load).toBeGreaterThan(0.3)
  })
})
