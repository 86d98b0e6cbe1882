import { randomUUID } from 'node:crypto'
import { eq } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { machines } from '../db/schema.ts'
import { bring } from '../test/rounds.test-help.ts'
import { openWorld, visitOf, type Caller, type World } from '../test/world.ts'

let world: World
let hand: Caller
beforeAll(async () => {
  world = await openWorld(true)
  hand = await world.as('okonjo')
})
afterAll(() => world.end())

describe('many writers to fans that are judged by each other', () => {
  it('follow each other: nobody waits in a circle, and nothing is lost', async () => {
    const twins = await world.deps.db
      .select({ id: machines.id, unitId: machines.unitId })
      .from(machines)
      .where(eq(machines.hasTwin, true))
    const unit = twins[0]?.unitId
    const pair = twins.filter((t) => t.unitId === unit).map((t) => t.id)
    expect(pair.length).toBeGreaterThan(1)
    const ids = Array.from({ length: 24 }, () => randomUUID())
    const answers = await Promise.all(
      ids.map(async (id, i) => {
        const visit = visitOf(pair[i % pair.length] ?? '', [4.1, 4.2, 4.3], { id })
        return i % 3 === 0
          ? (await bring(hand, [{ kind: 'visit', body: visit }])).status
          : (await hand.post('/visits', visit)).status
      }),
    )
    expect(new Set(answers)).toEqual(new Set([200]))
    expect(world.logged).toEqual([])
    const { rows } = await world.deps.pool.query('select count(*)::int as n from visits where id = any($1)', [ids])
    expect(rows).toEqual([{ n: ids.length }])
  })
})
