import { randomUUID } from 'node:crypto'
import type { MachinePage, SpeedChangeRecord } from '@motor-round/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { simulatedUnit } from '@motor-round/core/machine'
import { simulatedOf } from '../meters/simulated.ts'
import { loadSnapshots } from '../machine/snapshot.ts'
import { predicted } from '../test/speed-changes.test-help.ts'
import { openWorld, visitOf, type Caller, type World } from '../test/world.ts'

let world: World
let mechanic: Caller
beforeAll(async () => {
  world = await openWorld(true)
  mechanic = await world.as('okonjo')
})
afterAll(() => world.end())

const pageOf = async (id: string) => (await mechanic.get(`/machines/${id}`)).body as MachinePage
const speedChangeOf = (machineId: string, change: object, over: object = {}) => ({
  id: randomUUID(),
  machineId,
  madeAt: '2026-11-25T08:00:00Z',
  change,
  predicted,
  ...over,
})
const done = () => ({ workId: randomUUID(), doneAt: '2026-11-25T08:10:00Z' })

describe('a speed change', () => {
  it('is planned, done as work with its turns, and compared with the first visit after it', async () => {
    const id = await mechanic.machine('AHU-2/SF')
    const body = speedChangeOf(id, { kind: 'turns', turns: 3 })
    expect((await mechanic.post('/speed-changes', body)).body).toMatchObject({
      by: 'Mosi Okonjo',
      doneAt: null,
      measured: null,
    })
    expect((await mechanic.post('/speed-changes', body)).status).toBe(200)
    expect((await pageOf(id)).speedChanges).toHaveLength(1)
    const did = done()
    const r = await mechanic.post(`/speed-changes/${body.id}/done`, did)
    expect(r.body).toMatchObject({ doneAt: '2026-11-25T08:10:00.000Z', measured: null })
    expect((await mechanic.post(`/speed-changes/${body.id}/done`, { ...done(), workId: randomUUID() })).status).toBe(
      200,
    )
    const page = await pageOf(id)
    expect(page.work.filter((w) => w.doneAt === '2026-11-25T08:10:00.000Z')).toMatchObject([
      { id: did.workId, kind: 'sheave-turned', turns: { before: 2.5, after: 3 } },
    ])
    expect(page.machine.layout.center).toBe(414.5)
    await mechanic.post('/visits', visitOf(id, [12.2, 12.1, 12], { takenAt: '2026-11-25T08:40:00Z' }))
    const [after] = (await pageOf(id)).speedChanges
    expect(after?.measured?.amps).toBeCloseTo(12.1, 6)
    const house = (await mechanic.get('/speed-changes')).body as { speedChange: SpeedChangeRecord; unitTag: string }[]
    expect(house[0]).toMatchObject({ unitTag: 'AHU-2', speedChange: { id: body.id } })
    // The demo's own are on record with what came of them.
    expect(house.filter((p) => p.speedChange.measured !== null).length).toBeGreaterThan(8)
  })
  it('of sheaves is done as parts installed, with the belt it needs', async () => {
    const id = await mechanic.machine('AHU-3/RF')
    const before = await pageOf(id)
    const driven = before.parts.find((p) => p.part.slot === 'driven-sheave' && p.removedAt === null)
    if (driven?.part.slot !== 'driven-sheave') throw new Error('no driven sheave')
    const body = speedChangeOf(
      id,
      { kind: 'driven sheave', pitch: 300 },
      { predicted: { ...predicted, newBelt: { section: 'B', number: 70 } } },
    )
    await mechanic.post('/speed-changes', body)
    expect((await mechanic.post(`/speed-changes/${body.id}/done`, done())).status).toBe(200)
    const now = (await pageOf(id)).parts.filter((p) => p.removedAt === null)
    expect(now.find((p) => p.part.slot === 'driven-sheave')?.part.spec).toMatchObject({
      pitch: 300,
      section: driven.part.spec.section,
    })
    expect(now.find((p) => p.part.slot === 'belts')?.part.spec).toMatchObject({ number: 70, section: 'B' })
  })
  it('is dropped with a reason, and is then not done; done, it is not dropped', async () => {
    const id = await mechanic.machine('AHU-1/SF')
    const body = speedChangeOf(id, { kind: 'motor sheave', pitch: 130 })
    await mechanic.post('/speed-changes', body)
    expect((await mechanic.post(`/speed-changes/${body.id}/drop`, { why: '' })).status).toBe(422)
    expect((await mechanic.post(`/speed-changes/${body.id}/drop`, { why: 'no stock' })).body).toMatchObject({
      droppedWhy: 'no stock',
    })
    expect((await mechanic.post(`/speed-changes/${body.id}/done`, done())).status).toBe(409)
  })
  it('is refused where nothing of it is on the machine, or before it was planned', async () => {
    const direct = await mechanic.machine('EF-26/EF')
    const path = async (body: object) =>
      ((await mechanic.post('/speed-changes', body)).body.errors as { path: string }[])[0]?.path
    expect(await path(speedChangeOf(direct, { kind: 'turns', turns: 2 }))).toBe('change.turns')
    expect(await path(speedChangeOf(direct, { kind: 'hertz', hz: 50 }))).toBe('change.hz')
    expect(await path(speedChangeOf(direct, { kind: 'driven sheave', pitch: 200 }))).toBe('change.pitch')
    const belt = await mechanic.machine('AHU-1/SF')
    const body = speedChangeOf(belt, { kind: 'motor sheave', pitch: 130 })
    await mechanic.post('/speed-changes', body)
    const early = await mechanic.post(`/speed-changes/${body.id}/done`, { ...done(), doneAt: '2026-11-20T08:00:00Z' })
    expect(early.body.errors).toMatchObject([{ path: 'doneAt' }])
    expect((await mechanic.post(`/speed-changes/${randomUUID()}/done`, done())).status).toBe(404)
  })
})

describe('a simulated unit as the record has it', () => {
  it('reads what was read last, and less after the sheave was opened', async () => {
    const id = await mechanic.machine('RTU-12/SF')
    const amps = async () => {
      const [known] = await loadSnapshots(world.deps.db, [id])
      if (!known) throw new Error('no machine')
      const machine = simulatedOf(known, world.deps.now().getTime())
      if (typeof machine === 'string') throw new Error(machine)
      const unit = simulatedUnit(machine, 'as-found', 7)
      const legs = ['L1', 'L2', 'L3'].map((p) => unit.read('amps', p, 8).value)
      return {
        amps: legs.reduce((a, b) => a + b, 0) / 3,
        rpm: unit.read('rpm', 'driven', 8).value,
        air: unit.read('air_flow', 'fan', 8).value,
      }
    }
    const last = (await pageOf(id)).visits[0]?.readings.filter((r) => r.quantity === 'amps').map((r) => r.value) ?? []
    const before = await amps()
    expect(Math.abs(before.amps / (last.reduce((a, b) => a + b, 0) / 3) - 1)).toBeLessThan(0.03)
    const sheave = (await pageOf(id)).parts.find((p) => p.part.slot === 'motor-sheave' && p.removedAt === null)
    if (sheave?.part.slot !== 'motor-sheave' || sheave.part.spec.type !== 'adjustable')
      throw new Error('no adjustable sheave')
    const after = sheave.part.spec.most
    await mechanic.post('/work', {
      id: randomUUID(),
      machineId: id,
      doneAt: '2026-11-25T08:30:00Z',
      kind: 'sheave-turned',
      turns: { before: null, after },
    })
    const then = await amps()
    expect(then.amps).toBeLessThan(0.95 * before.amps)
    expect(then.rpm).toBeLessThan(0.95 * before.rpm)
    expect(then.air).toBeLessThan(0.95 * before.air)
  })
})
