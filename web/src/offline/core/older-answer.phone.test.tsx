import type { MachinePage, Stock } from '@motor-round/contract'
import { beforeEach, describe, expect, it } from 'vitest'
import { machineId, pageOf } from '../../test/machine-page.test-help.ts'
import { uuid } from '../../test/round.test-help.ts'
import { cacheAnswer, cachedAnswer, cacheUnlessOvertaken, lastSynced, withOutbox } from './cache.ts'
import { clearPhone } from './clear.ts'
import { enqueue, mutationRow } from './outbox.ts'
import { store } from './store.ts'
import { noteSaved, noteSynced } from './synced.ts'

const call = { endpoint: 'machinePage' as const, url: `/machines/${machineId}`, params: { id: machineId } }
const closing = {
  id: uuid(76),
  machineId,
  key: 'terminals@wires',
  at: '2026-11-25T08:00:00Z',
  kind: 'closed' as const,
  reason: 'x',
}
const own = { id: uuid(70), machineId, at: '2026-11-25T08:00:00Z' }
const steps = (p: unknown) => (p as MachinePage).jobs[0]?.steps.map((s) => s.kind)

beforeEach(async () => {
  await Promise.all(store.tables.map((t) => t.clear()))
  await enqueue(uuid(9), [
    { kind: 'job', body: { ...own, title: 'New filters', kinds: ['filters'] } },
    { kind: 'job-step', body: { ...own, id: uuid(71), jobId: uuid(70), kind: 'done', step: 'A1' } },
  ])
})

/** The server takes what waits, as a sync would hear of it. */
async function sync(): Promise<void> {
  const waiting = await store.outbox.toArray()
  await store.transaction('rw', store.outbox, store.synced, async () => {
    await store.outbox.clear()
    await noteSynced(waiting)
  })
}

describe('an answer of the server that is older than the sync', () => {
  it('shows what waits, made once, though the server has it by then', async () => {
    const first = await withOutbox(call, pageOf({}), await lastSynced())
    expect(steps(first)).toEqual(['done'])
    expect(steps(await withOutbox(call, first, await lastSynced()))).toEqual(['done'])
  })
  it('keeps what was synced while it was on its way', async () => {
    const after = await lastSynced()
    await sync()
    expect(steps(await withOutbox(call, pageOf({}), after))).toEqual(['done'])
  })
  it('does not bring back what was rejected meanwhile', async () => {
    const after = await lastSynced()
    await store.outbox.toCollection().modify({ status: 'rejected' })
    expect(steps(await withOutbox(call, pageOf({}), after))).toBeUndefined()
  })
})

describe('what was synced just before the signal was lost', () => {
  it('is shown by what was kept here before, until a newer answer has it', async () => {
    await cacheAnswer(call.url, pageOf({}), await lastSynced())
    expect(steps(await cachedAnswer(call))).toEqual(['done'])
    await sync()
    // Nothing newer came: it is neither waiting nor in what was kept.
    expect(await store.outbox.count()).toBe(0)
    expect(steps(await cachedAnswer(call))).toEqual(['done'])
    // Asked for after the sync: what the server says counts, also where somebody took it back meanwhile.
    await cacheAnswer(call.url, pageOf({}), await lastSynced())
    expect(steps(await cachedAnswer(call))).toBeUndefined()
  })
  it('counts once: an answer that a sync overtook is not kept, for it may have it or not', async () => {
    await store.outbox.clear()
    const stockCall = { endpoint: 'stock' as const, url: '/stock' }
    const item = {
      id: uuid(90),
      code: 'F-1',
      spec: { kind: 'other', name: 'Filter' },
      ...{ price: null, leadDays: null, min: null, max: null, note: '', version: 1, title: 'Filter' },
      ...{ inService: 0, machines: 0, perYear: 0, years: 0, wantMin: 0, wantMax: 0, risk: 0 },
    }
    const shelf = (onHand: number): unknown => ({
      places: [{ id: uuid(91), name: 'Van 1', kind: 'van', siteId: null, version: 1 }],
      items: [
        {
          ...item,
          levels: [{ placeId: uuid(91), onHand, reserved: 0, bad: 0, free: onHand, doubt: false, held: [] }],
        },
      ],
    })
    const taken = {
      id: uuid(92),
      itemId: uuid(90),
      placeId: uuid(91),
      at: '2026-11-25T08:00:00Z',
      kind: 'taken' as const,
      count: 1,
    }
    const counted = async () => ((await cachedAnswer(stockCall)) as Stock).items[0]?.levels[0]?.onHand
    await cacheAnswer('/stock', shelf(5), await lastSynced())
    const asked = await lastSynced()
    await enqueue(uuid(9), [{ kind: 'stock-move', body: taken }])
    expect(await counted()).toBe(4)
    await sync()
    // Answered after the sync, asked before: four are left, and it is not said of which.
    expect(await cacheUnlessOvertaken('/stock', shelf(4), asked)).toBe(false)
    expect(await counted()).toBe(4)
    expect(await cacheUnlessOvertaken('/stock', shelf(4), await lastSynced())).toBe(true)
    expect(await counted()).toBe(4)
  })
  it('stands before what was entered after it', async () => {
    await cacheAnswer(call.url, pageOf({}), await lastSynced())
    await sync()
    await enqueue(uuid(9), [
      { kind: 'job-step', body: { ...own, id: uuid(72), jobId: uuid(70), kind: 'done', step: 'A2' } },
    ])
    expect(steps(await cachedAnswer(call))).toEqual(['done', 'done'])
  })
  it('also where it was saved at once, past the outbox', async () => {
    await store.outbox.clear()
    await cacheAnswer(call.url, pageOf({}), await lastSynced())
    const body = { id: uuid(75), machineId, doneAt: '2026-11-25T08:00:00Z', kind: 'filters-changed' as const, note: '' }
    await noteSaved(uuid(9), { kind: 'work', body })
    const shown = (await cachedAnswer(call)) as MachinePage
    expect(shown.work.map((w) => w.id)).toContain(uuid(75))
  })
  it('goes from the phone with whoever signs out', async () => {
    await sync()
    await clearPhone()
    expect(await store.synced.count()).toBe(0)
  })
  it('is remembered in numbers that fit a phone', async () => {
    await store.outbox.clear()
    const [row] = await Promise.all([mutationRow(uuid(9), { kind: 'closing', body: closing })])
    await noteSynced(Array.from({ length: 2050 }, () => row))
    expect(await store.synced.count()).toBe(2000)
    expect(await lastSynced()).toBeGreaterThanOrEqual(2050)
  })
})
