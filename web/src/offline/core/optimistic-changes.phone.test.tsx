import type { Mutation, MutationBodies, MutationKind } from '@motor-round/contract'
import { beforeEach, describe, expect, it } from 'vitest'
import { driveParts } from '../../test/drive.test-help.ts'
import { machineId, pageOf, visitRecord } from '../../test/machine-page.test-help.ts'
import { uuid } from '../../test/round.test-help.ts'
import { queuedMutations, enqueue } from './outbox.ts'
import { withMutations } from './optimistic.ts'
import { store } from './store.ts'

const parts = driveParts()
const page = pageOf({ parts })
type Body<K extends MutationKind> = MutationBodies[K]

const predicted = {
  was: 12.8,
  amps: 12.1,
  low: 11.6,
  high: 12.6,
  fanRpm: 690,
  fanRpmNow: 705,
  airShare: 0.98,
  center: 414.5,
  newBelt: null,
}
const made = (change: Body<'speed-change'>['change'], over: object = {}): Mutation => ({
  kind: 'speed-change',
  body: {
    id: uuid(40),
    machineId,
    madeAt: '2026-11-25T08:00:00Z',
    change,
    predicted: { ...predicted, ...over },
  },
})
const done: Mutation = {
  kind: 'speed-change-done',
  body: { id: uuid(41), speedChangeId: uuid(40), machineId, beltsId: uuid(42), doneAt: '2026-11-25T08:10:00Z' },
}
const shown = async (...mutations: Mutation[]) => {
  await enqueue(uuid(9), mutations)
  return withMutations(page, await queuedMutations(), 'Mosi Okonjo')
}

beforeEach(async () => {
  await Promise.all(store.tables.map((t) => t.clear()))
})

describe('a speed change without a signal', () => {
  it('stands to be done, and done it is work with its turns, and the motor where it stands now', async () => {
    const planned = await shown(made({ kind: 'turns', turns: 3 }))
    expect(planned.speedChanges).toMatchObject([{ id: uuid(40), by: 'Mosi Okonjo', doneAt: null, measured: null }])
    const did = await shown(done)
    expect(did.speedChanges[0]).toMatchObject({ doneAt: '2026-11-25T08:10:00Z', measured: null })
    expect(did.work).toMatchObject([{ id: uuid(41), kind: 'sheave-turned', turns: { before: 2.5, after: 3 } }])
    expect(did.machine.layout.center).toBe(414.5)
    expect(did.parts).toEqual(page.parts)
  })
  it('is compared with the first visit after it, that is here too', async () => {
    const amps = (['L1', 'L2', 'L3'] as const).map((position) => ({ quantity: 'amps' as const, position, value: 12 }))
    const { id, takenAt, state, readings } = visitRecord({
      id: uuid(60),
      takenAt: '2026-11-25T08:40:00Z',
      readings: amps,
    })
    const proven = await shown(made({ kind: 'turns', turns: 3 }), done, {
      kind: 'visit',
      body: { id, machineId, takenAt, state, readings },
    })
    expect(proven.speedChanges[0]?.measured).toMatchObject({ visitId: uuid(60), amps: 12 })
  })
  it('of a sheave fits it and the belt it needs, each in its slot', async () => {
    const newBelt = { section: 'B', number: 64 }
    const did = await shown(made({ kind: 'driven sheave', pitch: 300 }, { newBelt }), done)
    const now = did.parts.filter((p) => p.removedAt === null)
    expect(now.find((p) => p.part.slot === 'driven-sheave')).toMatchObject({
      id: uuid(41),
      part: { spec: { type: 'fixed', section: 'B', pitch: 300, grooves: 1 } },
    })
    expect(now.find((p) => p.part.slot === 'belts')).toMatchObject({
      id: uuid(42),
      part: { spec: { section: 'B', number: 64, count: 1 } },
    })
    expect(did.parts.filter((p) => p.removedWhy === 'changed for another speed')).toHaveLength(1)
    expect(did.work).toEqual([])
  })
  it('of hertz is work and moves nothing', async () => {
    const did = await shown(made({ kind: 'hertz', hz: 52 }), done)
    expect(did.work).toMatchObject([{ kind: 'speed-set' }])
    expect(did.machine.layout).toEqual(page.machine.layout)
  })
  it('that has nothing to change here any more stands as it was told, and the server says why', async () => {
    await enqueue(uuid(9), [made({ kind: 'turns', turns: 3 }), done])
    const bare = withMutations(pageOf(), await queuedMutations(), 'x')
    expect(bare.speedChanges[0]?.doneAt).toBe('2026-11-25T08:10:00Z')
    expect(bare.work).toEqual([])
  })
})
