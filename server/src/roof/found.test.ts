import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { RoofPage } from '@motor-round/contract'
import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { machineStates } from '../db/schema.ts'
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
  const { rows, counts } = (await hand.get('/roof?limit=500')).body as RoofPage
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
  it('of before the Roof told it is written by the migration as it is written now', async () => {
    const [one, two] = [await hand.machine('EF-26/EF'), await hand.machine('EF-27/EF')]
    const [a, b, c] = [finding(one, 'watch', 'A'), finding(one, 'fix', 'B'), finding(two, 'fix', 'C')]
    await bring(hand, [a, b, c, step(b, 'postponed', 10, { reviewOn: '2026-12-01' }), step(c, 'closed', 11)])
    await bring(hand, [step(c, 'reopened', 12)])
    const all = () =>
      world.deps.db
        .select({
          id: machineStates.machineId,
          found: machineStates.found,
          need: machineStates.need,
        })
        .from(machineStates)
        .orderBy(machineStates.machineId)
    const written = await all()
    expect(written.filter((w) => w.found !== null).length).toBeGreaterThan(2)
    const [, update] = readFileSync(new URL('../../drizzle/0010_found_on_the_roof.sql', import.meta.url), 'utf8').split(
      '--> statement-breakpoint',
    )
    await world.deps.db.execute(
      sql.raw(`update machine_states set found = null, need = case level when 'stop' then 4 when 'fix' then 3
        when 'watch' then 2 when 'ok' then 0 else 1 end, due_at = '2030-01-01'`),
    )
    await world.deps.db.execute(sql.raw(update ?? ''))
    expect(await all()).toEqual(written)
    // The day one is to be looked at again is due; what names no day leaves it.
    expect([(await rowOf(one)).row?.dueAt, (await rowOf(two)).row?.dueAt]).toEqual([
      '2026-12-01T12:00:00.000Z',
      '2030-01-01T00:00:00.000Z',
    ])
  })
})
