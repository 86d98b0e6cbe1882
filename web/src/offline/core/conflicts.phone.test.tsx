import type { Mutation, MutationBodies, MutationKind } from '@motor-round/contract'
import { blankMap } from '@motor-round/core/round'
import { beforeEach, describe, expect, it } from 'vitest'
import { machineId, pageOf } from '../../test/machine-page.test-help.ts'
import { roundOf, uuid } from '../../test/round.test-help.ts'
import { conflictsOf, decide, rejectedOnly, retryRejected } from './conflicts.ts'
import { queuedMutations, enqueue } from './outbox.ts'
import { queuedMap, roundWithMutations, withMutations } from './optimistic.ts'
import { store } from './store.ts'

const page = pageOf()
const server = page.motor
if (!server) throw new Error('the page has a motor')
type Body<K extends MutationKind> = MutationBodies[K]

const correction = (n: number, over: Partial<Body<'plate'>> = {}): Mutation => ({
  kind: 'plate',
  body: {
    id: uuid(n),
    motorId: server.id,
    machineId,
    version: 1,
    plate: { ...server.plate, amps: '13.4' },
    connectionVolts: null,
    installedAt: server.installedAt,
    why: '',
    substitute: false,
    ...over,
  },
})
const swap = (n: number, over: Partial<Body<'motor'>> = {}): Mutation => ({
  kind: 'motor',
  body: {
    id: uuid(n),
    machineId,
    replaces: server.id,
    plate: { phases: 3, volts: '460', amps: '9.6' },
    connectionVolts: null,
    installedAt: '2026-11-25T08:00:00Z',
    removedWhy: 'seized',
    ...over,
  },
})
const drawing = (n: number, width: number, version: number): Mutation => ({
  kind: 'roof-map',
  body: { id: uuid(n), areaId: uuid(2), version, map: { ...blankMap, width } },
})
/** Reject the entries of the outbox as the server did, from the first on. */
async function refuse(...currents: unknown[]) {
  const outbox = await queuedMutations()
  for (const [i, current] of currents.entries())
    await store.outbox.update(outbox[i]?.n ?? 0, { status: 'rejected', why: 'Tamsin Vale changed it.', current })
}

beforeEach(async () => {
  await Promise.all(store.tables.map((t) => t.clear()))
})

describe('what was changed on the roof stands at once', () => {
  it('a plate, and the next correction of it', async () => {
    const twice = { ...server.plate, amps: '13.6' }
    await enqueue(uuid(9), [correction(50), correction(51, { version: 2, plate: twice })])
    expect(withMutations(page, await queuedMutations(), 'x').motor).toMatchObject({
      plate: { amps: '13.6' },
      version: 3,
    })
  })
  it('a motor, with the old one in the past; and its own plate', async () => {
    await enqueue(uuid(9), [
      swap(60),
      correction(61, { motorId: uuid(60), plate: { phases: 3, volts: '460', amps: '9.9' } }),
    ])
    const shown = withMutations(page, await queuedMutations(), 'Mosi Okonjo')
    expect(shown.motor).toMatchObject({ id: uuid(60), installedBy: 'Mosi Okonjo', plate: { amps: '9.9' } })
    expect(shown.pastMotors[0]).toMatchObject({
      id: server.id,
      removedAt: '2026-11-25T08:00:00Z',
      removedWhy: 'seized',
    })
    // Home has it by now: it is not there twice.
    const later = withMutations({ ...shown, pastMotors: shown.pastMotors }, await queuedMutations(), 'x')
    expect(later.pastMotors).toHaveLength(1)
  })
  it('a roof map, also under the round', async () => {
    await enqueue(uuid(9), [drawing(70, 33, 4), drawing(71, 34, 5)])
    const outbox = await queuedMutations()
    expect(queuedMap(outbox, uuid(2))).toMatchObject({ version: 6, map: { width: 34 } })
    expect(queuedMap(outbox, uuid(3))).toBeNull()
    const round = roundOf({
      areas: [{ id: uuid(2), name: 'Roof', siteId: uuid(1), kind: 'roof', map: blankMap }] as never,
    })
    const shown = await roundWithMutations(round, outbox, 'x', () => Promise.resolve(null))
    expect(shown.areas[0]?.map.width).toBe(34)
  })
  it('and no more, once it was refused', async () => {
    await enqueue(uuid(9), [correction(50)])
    await refuse(server)
    expect(withMutations(page, await queuedMutations(), 'x').motor?.plate.amps).toBe('12.8')
  })
})

describe('two versions', () => {
  const theirs = { ...server, version: 4, plate: { ...server.plate, amps: '12.4' } }
  it('of a plate are one matter, however often it was corrected here: the last word stands against the record', async () => {
    const last = { ...server.plate, amps: '13.6' }
    await enqueue(uuid(9), [correction(50), correction(51, { version: 2, plate: last })])
    await refuse(theirs, undefined)
    const [conflict, ...more] = conflictsOf(await queuedMutations())
    expect(more).toEqual([])
    expect(conflict).toMatchObject({
      about: 'plate',
      machineId,
      mine: { plate: { amps: '13.6' } },
      server: { version: 4, plate: { amps: '12.4' } },
    })
    expect(conflict?.entries).toHaveLength(2)
    expect(rejectedOnly(await queuedMutations())).toEqual([])
  })
  it('decided for the roof, go over what is on record now, as a change of its own', async () => {
    await enqueue(uuid(9), [correction(50)])
    await refuse(theirs)
    const [conflict] = conflictsOf(await queuedMutations())
    if (!conflict) throw new Error('a conflict')
    await decide(uuid(9), conflict, 'mine')
    const [kept, ...rest] = await queuedMutations()
    expect(rest).toEqual([])
    expect(kept).toMatchObject({
      kind: 'plate',
      status: 'pending' as const,
      why: '',
      body: { version: 4, plate: { amps: '13.4' } },
    })
    expect(kept?.kind === 'plate' && kept.body.id).not.toBe(uuid(50))
  })
  it('decided for the server, leave nothing', async () => {
    await enqueue(uuid(9), [drawing(70, 33, 4), drawing(71, 34, 5)])
    await refuse({ version: 7, map: { ...blankMap, width: 50 } }, undefined)
    const [conflict] = conflictsOf(await queuedMutations())
    expect(conflict).toMatchObject({ about: 'roof-map', mine: { map: { width: 34 } }, server: { version: 7 } })
    if (conflict) await decide(uuid(9), conflict, 'theirs')
    expect(await queuedMutations()).toEqual([])
  })
  it('of a motor: the same one with the plate read here, or one that went in after it', async () => {
    const other = { ...theirs, id: uuid(80), installedAt: '2026-11-25T07:00:00Z' }
    const word = async (decision: 'mine' | 'after it') => {
      await store.outbox.clear()
      await enqueue(uuid(9), [swap(60)])
      await refuse(other)
      const [conflict] = conflictsOf(await queuedMutations())
      if (conflict) await decide(uuid(9), conflict, decision)
      return (await queuedMutations())[0]
    }
    expect(await word('mine')).toMatchObject({
      kind: 'plate',
      body: { motorId: uuid(80), version: 4, plate: { amps: '9.6' } },
    })
    expect(await word('after it')).toMatchObject({ kind: 'motor', body: { replaces: uuid(80), removedWhy: 'seized' } })
  })
  it('where the line cannot be written nothing goes out of it', async () => {
    await enqueue(uuid(9), [correction(50)])
    await refuse(theirs)
    const [conflict] = conflictsOf(await queuedMutations())
    if (!conflict) throw new Error('a conflict')
    const full = () => {
      throw new Error('full')
    }
    store.outbox.hook('creating', full)
    await expect(decide(uuid(9), conflict, 'mine')).rejects.toThrow('full')
    store.outbox.hook('creating').unsubscribe(full)
    expect(await queuedMutations()).toHaveLength(1)
  })
})

describe('what was refused for another reason', () => {
  it('is told, and tried again when what stood in its way is gone', async () => {
    await enqueue(uuid(9), [swap(60), correction(50)])
    const [first] = await queuedMutations()
    await store.outbox.update(first?.n ?? 0, { status: 'rejected', why: 'installedAt: the new one comes after it' })
    expect(conflictsOf(await queuedMutations())).toEqual([])
    expect(rejectedOnly(await queuedMutations()).map((w) => w.kind)).toEqual(['motor'])
    expect(await retryRejected()).toBe(1)
    expect((await queuedMutations()).map((w) => [w.kind, w.status])).toEqual([
      ['motor', 'pending'],
      ['plate', 'pending'],
    ])
  })
})
