import { randomUUID } from 'node:crypto'
import { eq } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { inTurn, together, type Tx } from '../db/client.ts'
import { judgements, machines } from '../db/schema.ts'
import { currentPolicies } from '../policies/current.ts'
import { openWorld, type World } from '../test/world.ts'
import { groundOf } from './ground.ts'
import { judgeStanding } from './judge.ts'
import type { MachineSnapshot } from './machine-snapshot.ts'
import { refreshAll } from './refresh.ts'
import { loadSnapshots } from './snapshot.ts'
import { standingAmong, standingsOf } from './standing.ts'

let world: World
let twin: { id: string; siteId: string }
beforeAll(async () => {
  world = await openWorld(true)
  const [first] = await world.deps.db.select().from(machines).where(eq(machines.hasTwin, true))
  if (!first) throw new Error('the demo has twins')
  twin = first
  await world.deps.db.transaction(refreshAll)
})
afterAll(() => world.end())

/** As the answer of a server has it. */
const sent = (value: unknown): unknown => JSON.parse(JSON.stringify(value))
const all = async (): Promise<MachineSnapshot[]> => {
  const ids = await world.deps.db.select({ id: machines.id }).from(machines)
  return loadSnapshots(
    world.deps.db,
    ids.map((m) => m.id),
  )
}
const load = async (id: string): Promise<MachineSnapshot> => {
  const [known] = await loadSnapshots(world.deps.db, [id])
  if (!known) throw new Error('it is there')
  return known
}
const elsewhere = (text: string, values: unknown[] = []) => world.asOwner(text, values)
/** Put a mark on what is stored of a machine: who is told it was told what is stored. */
const mark = (id: string) =>
  elsewhere(
    `update judgements set judgement = (judgement::jsonb || '{"headline": "as it is stored"}')::json where machine_id = $1`,
    [id],
  )
const told = async (id: string): Promise<string | undefined> => {
  const { db } = world.deps
  const [standing] = await standingsOf(db, [await load(id)], await currentPolicies(db))
  return standing?.headline
}

describe('how a machine was judged', () => {
  it('is what judging it anew says, of every machine, with and without its peers', async () => {
    const { db } = world.deps
    const [machinesNow, policies] = [await all(), await currentPolicies(db)]
    const stored = new Map((await db.select().from(judgements)).map((row) => [row.machineId, row]))
    expect(stored.size).toBeGreaterThan(60)
    for (const known of machinesNow) {
      const anew = sent(judgeStanding(known, policies))
      const row = stored.get(known.machine.id)
      expect(row?.judgement ?? null).toEqual(anew)
      if (row) expect(row.ground).toBe(groundOf(known, policies))
      const peers = Array.from({ length: 6 }, (_, n) => ({
        tag: `P-${n}`,
        load: 0.5 + n / 50,
        at: '2026-11-01T00:00:00Z',
      }))
      expect(sent(await standingAmong(db, known, peers, policies))).toEqual(
        sent(judgeStanding({ ...known, peers }, policies)),
      )
    }
  })

  it('is told without judging again while nothing was written of it', async () => {
    await elsewhere(`update machines set purpose = purpose || ' ' where id = $1`, [twin.id])
    await world.deps.db.transaction(refreshAll)
    await mark(twin.id)
    expect(await told(twin.id)).toBe('as it is stored')
  })

  const changes: readonly [string, () => Promise<unknown>][] = [
    [
      'work',
      () =>
        elsewhere(
          `insert into work (id, site_id, machine_id, done_at, kind, note, by) values ($1, $2, $3, '2026-11-01', 'terminals-tightened', 'x', 'y')`,
          [randomUUID(), twin.siteId, twin.id],
        ),
    ],
    [
      'a finding',
      () =>
        elsewhere(
          `insert into findings (id, site_id, machine_id, at, level, text, owner, by) values ($1, $2, $3, '2026-11-24', 'fix', 'rust', 'owner', 'y')`,
          [randomUUID(), twin.siteId, twin.id],
        ),
    ],
    ['its site', () => elsewhere(`update sites set hertz = 50 where id = $1`, [twin.siteId])],
    [
      'what its twin carries',
      () =>
        elsewhere(
          `update machine_states set load = load / 2 where machine_id in (
             select t.id from machines t join machines m on m.unit_id = t.unit_id where m.id = $1 and t.id <> $1)`,
          [twin.id],
        ),
    ],
    [
      'the limits in force',
      () => elsewhere(`update organization set policies = policies || '{"overAmp": "service factor"}'`),
    ],
  ]
  it.each(changes)('is judged again after %s was written by another server', async (_what, write) => {
    await world.deps.db.transaction(refreshAll)
    await mark(twin.id)
    await write()
    expect(await told(twin.id)).not.toBe('as it is stored')
  })

  it('is told where nothing is stored of it', async () => {
    await elsewhere('delete from judgements')
    await elsewhere(`update machines set purpose = purpose || ' ' where id = $1`, [twin.id])
    expect(await told(twin.id)).not.toBe('')
  })
})

describe('what is asked together', () => {
  it('lets go of its connection, also where it fails: more than there are connections', async () => {
    const { db } = world.deps
    const asked = Array.from({ length: 30 }, (_, n) =>
      together(db, async (one) => {
        if (n % 3 === 0) await one.execute('select 1 / 0')
        return (await one.select({ id: machines.id }).from(machines)).length
      }),
    )
    const answers = await Promise.allSettled(asked)
    expect(answers.filter((a) => a.status === 'rejected')).toHaveLength(10)
    expect(answers.flatMap((a) => (a.status === 'fulfilled' && a.value > 60 ? [a] : []))).toHaveLength(20)
    expect(await together(db, (one) => one.select().from(machines))).not.toHaveLength(0)
  })
  it('in a transaction tells what failed, not what was refused behind it', async () => {
    const { db } = world.deps
    // Its failure has a long way to who waits for it.
    const slowly = async (tx: Tx) => {
      const [r] = await Promise.allSettled([tx.execute('select 1 / 0')])
      await new Promise((go) => setTimeout(go, 50))
      if (r.status === 'rejected') throw r.reason
    }
    const told = db.transaction((tx) => inTurn([slowly(tx), tx.execute('select 1')]))
    await expect(told).rejects.toMatchObject({ cause: { message: 'division by zero' } })
  })
})
