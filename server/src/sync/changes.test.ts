import { randomUUID } from 'node:crypto'
import type { RoofMapPage, MachinePage } from '@motor-round/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { predicted } from '../test/speed-changes.test-help.ts'
import { resultsOf } from '../test/rounds.test-help.ts'
import { openWorld, visitOf, type Caller, type World } from '../test/world.ts'

let world: World
let hand: Caller
let lead: Caller
beforeAll(async () => {
  world = await openWorld(true)
  hand = await world.as('okonjo')
  lead = await world.as('vale')
})
afterAll(() => world.end())

const results = (entries: object[], who = hand) => resultsOf(who, entries)
const outcomes = async (entries: object[], who = hand) => (await results(entries, who)).map((r) => r.outcome)
const pageOf = async (id: string) => (await hand.get(`/machines/${id}`)).body as MachinePage
const motorOf = async (id: string) => {
  const { motor } = await pageOf(id)
  if (!motor) throw new Error('no motor')
  return motor
}
/** A correction of a plate as a phone brings it. */
const corrected = (machineId: string, motor: NonNullable<MachinePage['motor']>, over: object = {}) => {
  const { plate, connectionVolts, installedAt, why, substitute, version } = motor
  const body = { id: randomUUID(), motorId: motor.id, machineId, version }
  return { kind: 'plate', body: { ...body, plate, connectionVolts, installedAt, why, substitute, ...over } }
}

describe('a plate that was corrected on the roof', () => {
  it('is kept once though it is sent twice, and so are those that depend on it', async () => {
    const machineId = await hand.machine('EF-2/EF')
    const motor = await motorOf(machineId)
    const first = corrected(machineId, motor, { plate: { ...motor.plate, sf: 1.15 } })
    const second = corrected(machineId, motor, {
      plate: { ...motor.plate, sf: 1.25 },
      version: motor.version + 1,
    })
    expect(await outcomes([first, second])).toEqual(['applied', 'applied'])
    // The answer was lost: the phone brings both again, and somebody has changed it since.
    const now = await motorOf(machineId)
    const later = { ...now, plate: { ...now.plate, serial: 'LATER' } }
    const { id, plate, connectionVolts, installedAt, why, substitute, version } = later
    expect(
      (await lead.put(`/motors/${id}`, { id, plate, connectionVolts, installedAt, why, substitute, version })).status,
    ).toBe(200)
    expect(await outcomes([first, second])).toEqual(['duplicate', 'duplicate'])
    expect(await motorOf(machineId)).toMatchObject({
      plate: { sf: 1.25, serial: 'LATER' },
      version: motor.version + 3,
    })
  })
  it('whose answer was lost is sent again and is no conflict with itself', async () => {
    const machineId = await hand.machine('EF-11/EF')
    const motor = await motorOf(machineId)
    const entry = corrected(machineId, motor, { plate: { ...motor.plate, sf: 1.15 } })
    const { id: changeId, motorId, machineId: _machine, ...body } = entry.body
    const online = { ...body, id: motorId, changeId }
    expect((await hand.put(`/motors/${motorId}`, online)).status).toBe(200)
    expect((await hand.put(`/motors/${motorId}`, online)).body).toMatchObject({ version: motor.version + 1 })
    expect(await outcomes([entry])).toEqual(['duplicate'])
    expect((await motorOf(machineId)).version).toBe(motor.version + 1)
  })
  it('is refused with what is on record where somebody else was first; what depends on it is blocked, readings are not', async () => {
    const machineId = await hand.machine('EF-3/EF')
    const motor = await motorOf(machineId)
    const theirs = corrected(machineId, motor, { plate: { ...motor.plate, sf: 1.0 } })
    expect(await outcomes([theirs], lead)).toEqual(['applied'])
    const mine = corrected(machineId, motor, { plate: { ...motor.plate, sf: 1.15 } })
    const more = corrected(machineId, motor, { version: motor.version + 1 })
    const visit = visitOf(machineId, [5, 5.1, 5.2])
    const [refused, held, kept] = await results([mine, more, { kind: 'visit', body: visit }])
    expect(refused).toMatchObject({ outcome: 'rejected', problem: { current: { plate: { sf: 1.0 } } } })
    expect(refused?.problem?.detail).toContain('Tamsin Vale changed this motor in the meantime')
    expect([held?.outcome, kept?.outcome]).toEqual(['blocked', 'applied'])
    expect((await motorOf(machineId)).plate.sf).toBe(1.0)
    // A person decides for what was read on the roof: it goes over what is on record now.
    const over = corrected(machineId, await motorOf(machineId), { plate: { ...motor.plate, sf: 1.15 } })
    expect(await outcomes([over])).toEqual(['applied'])
    expect((await motorOf(machineId)).plate.sf).toBe(1.15)
  })
})

describe('a motor that was installed on the roof', () => {
  const installed = (machineId: string, replaces: string | null, over: object = {}) => ({
    kind: 'motor',
    body: {
      id: randomUUID(),
      machineId,
      replaces,
      plate: { phases: 3, power: 2, volts: '460', amps: '3.1' },
      connectionVolts: null,
      installedAt: '2026-11-25T08:00:00Z',
      removedWhy: 'seized',
      ...over,
    },
  })
  it('moves the old one to the past, once', async () => {
    const machineId = await hand.machine('RTU-31/SF-1')
    const old = await motorOf(machineId)
    const entry = installed(machineId, old.id)
    expect(await outcomes([entry])).toEqual(['applied'])
    expect(await outcomes([entry])).toEqual(['duplicate'])
    const page = await pageOf(machineId)
    expect(page.motor).toMatchObject({ id: entry.body.id, installedBy: 'Mosi Okonjo', plate: { amps: '3.1' } })
    expect(page.pastMotors[0]).toMatchObject({ id: old.id, removedWhy: 'seized' })
  })
  it('is refused with the one that is in place where somebody entered another in the meantime', async () => {
    const machineId = await hand.machine('RTU-31/SF-2')
    const old = await motorOf(machineId)
    const theirs = installed(machineId, old.id)
    expect(await outcomes([theirs], lead)).toEqual(['applied'])
    const mine = installed(machineId, old.id, { installedAt: '2026-11-25T08:30:00Z' })
    const [refused] = await results([mine])
    expect(refused).toMatchObject({ outcome: 'rejected', problem: { current: { id: theirs.body.id } } })
    expect(refused?.problem?.detail).toBe('Tamsin Vale entered another motor there in the meantime.')
    const online = { ...mine.body, machineId: undefined }
    expect((await hand.post(`/machines/${machineId}/motors`, online)).status).toBe(409)
    // It was installed after that one: said so, it is.
    expect(await outcomes([{ ...mine, body: { ...mine.body, replaces: theirs.body.id } }])).toEqual(['applied'])
    expect((await pageOf(machineId)).pastMotors.map((m) => m.id)).toEqual(
      expect.arrayContaining([theirs.body.id, old.id]),
    )
  })
  it('is the first of a unit that was found, and its visit is judged by its plate', async () => {
    const areaId = (await pageOf(await hand.machine('EF-2/EF'))).area.id
    const machineId = randomUUID()
    const found = {
      unit: { id: randomUUID(), areaId, tag: 'EF-97', kind: 'exhaust', modelLine: '' },
      machine: { id: machineId, tag: 'EF', purpose: '', phases: 3, serviceVolts: 460, drive: 'direct' },
    }
    const visit = visitOf(machineId, [4.2, 4.2, 4.3], { takenAt: '2026-11-25T08:20:00Z' })
    const all = await results([
      { kind: 'found', body: found },
      installed(machineId, null, { removedWhy: '' }),
      { kind: 'visit', body: visit },
    ])
    expect(all.map((r) => r.outcome)).toEqual(['applied', 'applied', 'applied'])
    // 4.2 A on a plate of 3.1 A: more than a third over it.
    expect((await pageOf(machineId)).judgement?.level).toBe('stop')
    // Where the unit itself is refused, so is all that stands on it.
    const nowhere = randomUUID()
    const bad = { ...found, machine: { ...found.machine, id: nowhere }, unit: { ...found.unit, areaId: randomUUID() } }
    expect(await outcomes([{ kind: 'found', body: bad }, installed(nowhere, null)])).toEqual(['rejected', 'blocked'])
  })
})

describe('parts and plans from the roof', () => {
  it('a part goes into its slot once; one that is older than what is there is refused at its field', async () => {
    const machineId = await hand.machine('RTU-21/SF')
    const part = { slot: 'filters', spec: { count: 6, size: '20 × 25 × 2 in' } }
    const body = { id: randomUUID(), machineId, part, installedAt: '2026-11-25T08:00:00Z', removedWhy: 'loaded' }
    expect(await outcomes([{ kind: 'part', body }])).toEqual(['applied'])
    expect(await outcomes([{ kind: 'part', body }])).toEqual(['duplicate'])
    expect((await pageOf(machineId)).parts.filter((p) => p.id === body.id)).toHaveLength(1)
    const [older] = await results([
      { kind: 'part', body: { ...body, id: randomUUID(), installedAt: '2026-11-24T08:00:00Z' } },
    ])
    expect(older).toMatchObject({ outcome: 'rejected', problem: { errors: [{ path: 'installedAt' }] } })
  })
  it('a roof map is synced once, and is refused with the other where both were drawn', async () => {
    const areaId = (await pageOf(await hand.machine('EF-2/EF'))).area.id
    const mapOf = async () => (await hand.get(`/areas/${areaId}/map`)).body as RoofMapPage
    const { map, version } = await mapOf()
    const mine = { kind: 'roof-map', body: { id: randomUUID(), areaId, version, map: { ...map, width: 70 } } }
    expect(await outcomes([mine])).toEqual(['applied'])
    expect(await outcomes([mine])).toEqual(['duplicate'])
    const late = { kind: 'roof-map', body: { ...mine.body, id: randomUUID(), map: { ...map, width: 80 } } }
    const [refused] = await results([late], lead)
    expect(refused).toMatchObject({
      outcome: 'rejected',
      problem: { current: { version: version + 1, map: { width: 70 } } },
    })
    expect(await mapOf()).toMatchObject({ version: version + 1, map: { width: 70 } })
  })
})

describe('a speed change that was done on the roof', () => {
  const made = (machineId: string, change: object) => {
    const id = randomUUID()
    const body = { id, machineId, madeAt: '2026-11-25T08:00:00Z', change, predicted }
    const how = {
      id: randomUUID(),
      speedChangeId: id,
      machineId,
      beltsId: randomUUID(),
      doneAt: '2026-11-25T08:10:00Z',
    }
    return [
      { kind: 'speed-change', body },
      { kind: 'speed-change-done', body: how },
    ] as const
  }
  it('is synced with its work, once, and is compared with the visit that follows', async () => {
    const machineId = await hand.machine('AHU-2/SF')
    const [speedChange, done] = made(machineId, { kind: 'turns', turns: 3 })
    const visit = { kind: 'visit', body: visitOf(machineId, [12.2, 12.1, 12], { takenAt: '2026-11-25T08:40:00Z' }) }
    expect(await outcomes([speedChange, done, visit])).toEqual(['applied', 'applied', 'applied'])
    expect(await outcomes([speedChange, done, visit])).toEqual(['duplicate', 'duplicate', 'duplicate'])
    const page = await pageOf(machineId)
    expect(page.work.filter((w) => w.id === done.body.id)).toMatchObject([{ turns: { before: 2.5, after: 3 } }])
    expect(page.speedChanges[0]).toMatchObject({ id: speedChange.body.id, doneAt: '2026-11-25T08:10:00.000Z' })
    expect(page.speedChanges[0]?.measured?.amps).toBeCloseTo(12.1, 6)
  })
  it('is refused with what is missing, and what was done of it is blocked', async () => {
    const machineId = await hand.machine('EF-2/EF')
    const [speedChange, done] = made(machineId, { kind: 'hertz', hz: 50 })
    const [refused, held] = await results([speedChange, done])
    expect(refused).toMatchObject({ outcome: 'rejected', problem: { errors: [{ path: 'change.hz' }] } })
    expect(held?.outcome).toBe('blocked')
    expect((await pageOf(machineId)).speedChanges).toEqual([])
  })
})
