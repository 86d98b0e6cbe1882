import { asc, eq, inArray } from 'drizzle-orm'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { judgements, machines, machineStates } from '../db/schema.ts'
import { currentPolicies } from '../policies/current.ts'
import { openWorld, visitOf, type World } from '../test/world.ts'
import { judgeStanding } from './judge.ts'
import { refreshMany } from './refresh.ts'
import { loadSnapshots } from './snapshot.ts'

let world: World
beforeAll(async () => (world = await openWorld(true)))
afterAll(() => world.end())

it('twins of which one is judged while the other is loaded are judged by each other’s new loads', async () => {
  const { db } = world.deps
  const all = await db
    .select({ id: machines.id, unitId: machines.unitId, twin: machines.hasTwin })
    .from(machines)
    .orderBy(asc(machines.id))
  const place = (id: string) => all.findIndex((m) => m.id === id)
  const pair = all
    .filter((m) => m.twin)
    .map((m) => all.filter((t) => t.twin && t.unitId === m.unitId).map((t) => t.id))
    .find(([a, b]) => a !== undefined && b !== undefined && place(a) >= 19)
  const [one = '', other = ''] = pair ?? []
  const hand = await world.as('okonjo')
  for (const id of [one, other]) expect((await hand.post('/visits', visitOf(id, [4.1, 4.2, 4.3]))).status).toBe(200)
  // As if neither had ever been seen to carry anything.
  await db
    .update(machineStates)
    .set({ loadAt: null })
    .where(inArray(machineStates.machineId, [one, other]))
  // Twenty at once: the first ends one batch, the second begins the next.
  const before = all.slice(place(one) - 19, place(one)).map((m) => m.id)
  await db.transaction((tx) => refreshMany(tx, [...before, one, other]))
  const policies = await currentPolicies(db)
  for (const id of [one, other]) {
    const [known] = await loadSnapshots(db, [id])
    if (!known) throw new Error('no machine')
    expect(known.twins.length).toBeGreaterThan(0)
    const [kept] = await db.select().from(judgements).where(eq(judgements.machineId, id))
    expect(kept?.judgement).toEqual(JSON.parse(JSON.stringify(judgeStanding(known, policies))))
  }
})
