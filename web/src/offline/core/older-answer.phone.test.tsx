import type { MachinePage } from '@motor-round/contract'
import { beforeEach, describe, expect, it } from 'vitest'
import { machineId, pageOf } from '../../test/machine-page.test-help.ts'
import { uuid } from '../../test/round.test-help.ts'
import { outboxNow, withOutbox } from './cache.ts'
import { enqueue } from './outbox.ts'
import { store } from './store.ts'

const call = { endpoint: 'machinePage' as const, url: `/machines/${machineId}`, params: { id: machineId } }
const own = { id: uuid(70), machineId, at: '2026-11-25T08:00:00Z' }
const steps = (p: unknown) => (p as MachinePage).jobs[0]?.steps.map((s) => s.kind)

beforeEach(async () => {
  await Promise.all(store.tables.map((t) => t.clear()))
  await enqueue(uuid(9), [
    { kind: 'job', body: { ...own, title: 'New filters', kinds: ['filters'] } },
    { kind: 'job-step', body: { ...own, id: uuid(71), jobId: uuid(70), kind: 'done', step: 'A1' } },
  ])
})

describe('an answer of the server that is older than the sync', () => {
  it('shows what waits, made once, though the server has it by then', async () => {
    const first = await withOutbox(call, pageOf({}), await outboxNow())
    expect(steps(first)).toEqual(['done'])
    expect(steps(await withOutbox(call, first, await outboxNow()))).toEqual(['done'])
  })
  it('keeps what was synced while it was on its way', async () => {
    const waited = await outboxNow()
    await store.outbox.clear()
    expect(steps(await withOutbox(call, pageOf({}), waited))).toEqual(['done'])
  })
  it('does not bring back what was rejected meanwhile', async () => {
    const waited = await outboxNow()
    await store.outbox.toCollection().modify({ status: 'rejected' })
    expect(steps(await withOutbox(call, pageOf({}), waited))).toBeUndefined()
  })
})
