import { randomUUID } from 'node:crypto'
import { visitBody, type MachineListPage } from '@motor-round/contract'
import { eq } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { machineStates, people } from '../db/schema.ts'
import { refreshStale } from '../machine/refresh.ts'
import { bring } from '../test/rounds.test-help.ts'
import { openWorld, visitOf, type Caller, type World } from '../test/world.ts'
import { keepVisitUnjudged } from '../visits/keep.ts'

let world: World
let hand: Caller
beforeAll(async () => {
  world = await openWorld(true)
  hand = await world.as('okonjo')
})
afterAll(() => world.end())

const levelOf = async (machineId: string) => {
  const { rows } = (await hand.get('/machines?limit=500')).body as MachineListPage
  return rows.find((r) => r.machineId === machineId)?.level
}
const staleOf = async (machineId: string) => {
  const [row] = await world.deps.db
    .select({ stale: machineStates.stale })
    .from(machineStates)
    .where(eq(machineStates.machineId, machineId))
  return row?.stale
}
/** Far over the nameplate: kept, as a server keeps it that ends before it comes to judging. */
async function cutOff(machineId: string) {
  const body = visitOf(machineId, [90, 90, 90])
  const [person] = await world.deps.db.select().from(people).where(eq(people.login, 'okonjo'))
  if (!person) throw new Error('the demo has its people')
  await world.deps.db.transaction((tx) =>
    keepVisitUnjudged(tx, visitBody.parse(body), { ...person, role: 'mechanic', disabledAt: null }, world.deps.now()),
  )
  expect(await levelOf(machineId)).not.toBe('stop')
  expect(await staleOf(machineId)).toBe(true)
  return body
}

describe('a batch that was cut off before its machines were judged', () => {
  it('is judged when it is sent again, though nothing of it is new', async () => {
    const machineId = await hand.machine('AHU-1/SF')
    const body = await cutOff(machineId)
    const sent = (await bring(hand, [{ kind: 'visit', body }])).body as { results: { outcome: string }[] }
    expect(sent.results.map((r) => r.outcome)).toEqual(['duplicate'])
    expect([await levelOf(machineId), await staleOf(machineId)]).toEqual(['stop', false])
  })
  it('is judged by any server, though it is never sent again', async () => {
    const machineId = await hand.machine('AHU-7/SF')
    await cutOff(machineId)
    await refreshStale(world.deps.db)
    expect([await levelOf(machineId), await staleOf(machineId)]).toEqual(['stop', false])
  })
  it('judges each machine once for all of its visits, and says of the newest how it is judged', async () => {
    const machineId = await hand.machine('AHU-3/SF')
    const entries = [5, 90].map((amps, i) => ({
      kind: 'visit',
      body: { ...visitOf(machineId, [amps, amps, amps]), id: randomUUID(), takenAt: `2026-11-25T08:0${i}:00Z` },
    }))
    const { results } = (await bring(hand, entries)).body as {
      results: { outcome: string; judged: { level: string } | null }[]
    }
    expect(results.map((r) => r.outcome)).toEqual(['applied', 'applied'])
    expect(results[1]?.judged?.level).toBe('stop')
    expect(results[0]?.judged).toBeNull()
    expect([await levelOf(machineId), await staleOf(machineId)]).toEqual(['stop', false])
  })
})
