import { randomUUID } from 'node:crypto'
import type { MachineListPage } from '@motor-round/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bring } from '../test/rounds.test-help.ts'
import { openWorld, type Caller, type World } from '../test/world.ts'

let world: World
let hand: Caller
beforeAll(async () => {
  world = await openWorld(true)
  hand = await world.as('okonjo')
})
afterAll(() => world.end())

const rowOf = async (machineId: string) => {
  const { rows, counts } = (await hand.get('/machines?limit=500')).body as MachineListPage
  const at = rows.findIndex((r) => r.machineId === machineId)
  return { row: rows[at], at, counts }
}
const at = '2026-11-25T08:00:00Z'
const finding = (machineId: string, level: string, text: string) => ({
  kind: 'finding',
  body: { id: randomUUID(), machineId, at, level, text },
})
const step = (f: ReturnType<typeof finding>, kind: string, minute: number, over: object = {}) => ({
  kind: 'finding-step',
  body: {
    id: randomUUID(),
    findingId: f.body.id,
    machineId: f.body.machineId,
    at: `2026-11-25T08:${String(minute).padStart(2, '0')}:00Z`,
    kind,
    note: 'x',
    ...over,
  },
})

describe('what was found at a machine', () => {
  it('stands on the Roof, the worst first, and moves the machine up until it is put off or closed', async () => {
    const machineId = await hand.machine('EF-25/EF')
    const before = await rowOf(machineId)
    expect(before.row).toMatchObject({ level: 'ok', found: null })
    const small = finding(machineId, 'watch', 'Loose panel')
    const bad = finding(machineId, 'stop', 'Blade cracked')
    await bring(hand, [small, bad])
    const found = await rowOf(machineId)
    expect(found.row).toMatchObject({
      level: 'stop',
      headline: 'Blade cracked',
      found: { level: 'stop', text: 'Blade cracked', open: true, more: 1 },
    })
    expect(found.at).toBeLessThan(before.at)
    expect([found.counts.stop, found.counts.ok]).toEqual([before.counts.stop + 1, before.counts.ok - 1])
    await bring(hand, [step(bad, 'closed', 10)])
    expect((await rowOf(machineId)).row?.found).toEqual({
      level: 'watch',
      text: 'Loose panel',
      open: true,
      until: null,
      more: 0,
    })
    await bring(hand, [step(small, 'postponed', 11, { reviewOn: '2026-12-01' })])
    const later = await rowOf(machineId)
    expect(later.row).toMatchObject({ found: { open: false, until: '2026-12-01' }, dueAt: '2026-12-01T12:00:00.000Z' })
    expect(later.counts).toEqual(before.counts)
    await bring(hand, [step(small, 'closed', 12)])
    expect((await rowOf(machineId)).row).toMatchObject({ found: null, dueAt: before.row?.dueAt })
  })
})
