import { randomUUID } from 'node:crypto'
import { eq } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { machines } from '../db/schema.ts'
import { openWorld, type World } from '../test/world.ts'
import type { MachineSnapshot } from './machine-snapshot.ts'
import { loadSnapshots } from './snapshot.ts'

let world: World
let id: string
let site: string
beforeAll(async () => {
  world = await openWorld(true)
  const [first] = await world.deps.db.select().from(machines).where(eq(machines.hasTwin, true))
  if (!first) throw new Error('the demo has twins')
  id = first.id
  site = first.siteId
})
afterAll(() => world.end())

const load = async (): Promise<MachineSnapshot> => {
  const [known] = await loadSnapshots(world.deps.db, [id])
  if (!known) throw new Error('it is there')
  return known
}
/** What another server does to the same database. */
const elsewhere = (text: string, values: unknown[] = []) => world.deps.pool.query(text, values)

describe('a machine that was loaded before', () => {
  it('is not read again while nothing was written of it', async () => {
    const before = await load()
    expect(await load()).toBe(before)
  })

  const facts: readonly [string, (n: string) => Promise<unknown>, (s: MachineSnapshot) => unknown][] = [
    [
      'work',
      (n) =>
        elsewhere(
          `insert into work (id, site_id, machine_id, done_at, kind, note, by) values ($1, $2, $3, '2026-11-01', 'belt-replaced', 'x', 'y')`,
          [n, site, id],
        ),
      (s) => s.work.length,
    ],
    [
      'a visit',
      (n) =>
        elsewhere(
          `with v as (insert into visits (id, site_id, machine_id, taken_at, by, state, note, reason, source)
             select $1, site_id, machine_id, '2026-11-24T10:00:00Z', by, state, '', '', 'walk' from visits where machine_id = $3 limit 1)
           insert into readings values ($2, $3, '2026-11-24T10:00:00Z', $1, 'amps', 'L1', 4.4)`,
          [n, site, id],
        ),
      (s) => s.visits.flatMap((v) => v.readings).filter((r) => r.value === 4.4).length,
    ],
    [
      'a finding',
      (n) =>
        elsewhere(
          `insert into findings (id, site_id, machine_id, at, level, text, owner, by) values ($1, $2, $3, '2026-11-24', 'fix', 'rust', 'owner', 'y')`,
          [n, site, id],
        ),
      (s) => s.findings.length,
    ],
    [
      'an edit',
      async () => elsewhere(`update machines set purpose = purpose || '.' where id = $1`, [id]),
      (s) => s.machine.purpose,
    ],
    ['its site', async () => elsewhere(`update sites set hertz = 50 where id = $1`, [site]), (s) => s.site.hertz],
    [
      'what its twin carries',
      async () =>
        elsewhere(
          `update machine_states set load = 0.123 where machine_id in (
             select t.id from machines t join machines m on m.unit_id = t.unit_id where m.id = $1 and t.id <> $1)`,
          [id],
        ),
      (s) => s.twins.map((t) => t.load).join(),
    ],
  ]
  it.each(facts)('is seen with %s that another server wrote', async (_what, write, read) => {
    const before = read(await load())
    await write(randomUUID())
    expect(read(await load())).not.toEqual(before)
  })

  it('is never shown with what was taken back', async () => {
    const before = await load()
    const undone = await world.deps.db
      .transaction(async (tx) => {
        await tx.update(machines).set({ purpose: 'never was' }).where(eq(machines.id, id))
        const [inside] = await loadSnapshots(tx, [id])
        expect(inside?.machine.purpose).toBe('never was')
        throw new Error('taken back')
      })
      .catch((e: unknown) => (e as Error).message)
    expect(undone).toBe('taken back')
    expect((await load()).machine.purpose).toBe(before.machine.purpose)
  })
})
