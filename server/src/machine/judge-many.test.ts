import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { machines } from '../db/schema.ts'
import { currentPolicies } from '../policies/current.ts'
import { openWorld, type World } from '../test/world.ts'
import { judgeMany } from './judge-many.ts'
import { loadSnapshots } from './snapshot.ts'
import { standsOf } from './stand.ts'

let world: World
beforeAll(async () => {
  world = await openWorld(true)
})
afterAll(() => world.end())

describe('many machines judged together', () => {
  it('stand as each does by itself, in their order, whatever is handed to a thread and back', async () => {
    const { db } = world.deps
    const ids = (await db.select({ id: machines.id }).from(machines)).map((m) => m.id)
    const [all, policies] = [await loadSnapshots(db, ids), await currentPolicies(db)]
    expect(all.length).toBeGreaterThan(60)
    const each = all.map((known) => standsOf({ all: [known], policies })[0])
    expect(await judgeMany(all, policies)).toEqual(each)
    // As a thread is handed them: copies, that share nothing with what was judged before.
    expect(standsOf(structuredClone({ all, policies }))).toEqual(each)
    expect(await judgeMany(all.slice(0, 3), policies)).toEqual(each.slice(0, 3))
  })
})
