import { keepForRounds } from '../auth/session.ts'
import { endpoints } from '@motor-round/contract'
import { moveStep, problemOf } from '@motor-round/core/round'
import { eq } from 'drizzle-orm'
import type { Router } from 'express'
import { record, who } from '../audit/record.ts'
import type { Tx } from '../db/client.ts'
import { roundDevices, rounds } from '../db/rounds-schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { fieldProblem, HttpProblem } from '../http/problem.ts'
import { refuseStale } from '../register/edit.ts'
import { currentPolicies } from '../policies/current.ts'
import { closeRound } from './close.ts'
import { loadDue } from './due.ts'
import { lockId } from '../visits/keep.ts'
import { hear, tell } from './live.ts'
import { makeRound, roundIsThere } from './make.ts'
import { areasOf, lockRound, pageOfRound, roundList, roundRow, visitsOfRound, type RoundRow } from './page.ts'
import { offThread } from '../run/off-thread.ts'

async function openRound(tx: Tx, id: string, version: number): Promise<RoundRow> {
  const row = await lockRound(tx, id)
  if (row.closing !== null) throw new HttpProblem(409, 'That round is closed.')
  await refuseStale(tx, 'round', row.id, row.version, version, row)
  return row
}

async function problem(tx: Tx, row: RoundRow) {
  const visits = await visitsOfRound(tx, row.id)
  return problemOf(
    row,
    visits,
    await areasOf(
      tx,
      visits.map((s) => s.areaId),
    ),
  )
}

/** What is due, and rounds: made, moved by hand, planned again, closed. */
export function roundRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.dueMachines, async ({ query }) => {
    const siteIds = query.sites.split(',').filter((s) => /^[0-9a-f-]{36}$/.test(s))
    return siteIds.length === 0 ? [] : loadDue(deps.db, { siteIds }, await currentPolicies(deps.db), deps.now())
  })
  mount(router, deps, endpoints.rounds, () => roundList(deps.db))
  mount(router, deps, endpoints.round, ({ params }) => pageOfRound(deps.db, params.id))

  mount(router, deps, endpoints.makeRound, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      await lockId(tx, body.id)
      if (!(await roundIsThere(tx, body.id))) {
        await makeRound(tx, body, person.name, deps.now())
        await record(tx, {
          ...who(person),
          at: deps.now(),
          what: 'round planned',
          entity: 'round',
          entityId: body.id,
          after: { name: body.name, day: body.day, visits: body.visits.length },
        })
      }
      return pageOfRound(tx, body.id)
    }),
  )

  mount(router, deps, endpoints.moveStep, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const row = await openRound(tx, params.id, body.version)
      let moved
      try {
        moved = moveStep(await problem(tx, row), row.route, body)
      } catch (e) {
        if (e instanceof RangeError) throw fieldProblem('step', e.message)
        throw e
      }
      await tx
        .update(rounds)
        .set({ route: moved.route, version: row.version + 1 })
        .where(eq(rounds.id, row.id))
      await record(tx, {
        ...who(person),
        at: deps.now(),
        what: 'visit moved',
        entity: 'round',
        entityId: row.id,
        after: { step: body.step, walker: body.walker, position: body.position },
      })
      await tell(tx, row.id)
      return { page: await pageOfRound(tx, row.id), by: moved.by }
    }),
  )

  mount(router, deps, endpoints.replanRound, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const row = await openRound(tx, params.id, body.version)
      const set = { people: body.people, heat: body.heat, storm: body.storm }
      const made = await offThread('findRoute', await problem(tx, { ...row, ...set }))
      await tx
        .update(rounds)
        .set({ ...set, route: made, version: row.version + 1 })
        .where(eq(rounds.id, row.id))
      await record(tx, {
        ...who(person),
        at: deps.now(),
        what: 'round planned again',
        entity: 'round',
        entityId: row.id,
        before: { people: row.people, heat: row.heat, storm: row.storm },
        after: set,
      })
      await tell(tx, row.id)
      return pageOfRound(tx, row.id)
    }),
  )

  mount(router, deps, endpoints.closeRound, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const row = await openRound(tx, params.id, body.version)
      await closeRound(tx, row, body.reason, person.name, deps.now())
      await record(tx, {
        ...who(person),
        at: deps.now(),
        what: 'round closed',
        entity: 'round',
        entityId: row.id,
        why: body.reason,
      })
      await tell(tx, row.id)
      return pageOfRound(tx, row.id)
    }),
  )

  mount(router, deps, endpoints.device, ({ body, person, req }) => {
    keepForRounds(req)
    return deps.db.transaction(async (tx) => {
      await lockRound(tx, body.roundId)
      await tx
        .insert(roundDevices)
        .values({ ...body, by: person.name, since: deps.now() })
        .onConflictDoUpdate({ target: [roundDevices.roundId, roundDevices.device], set: { holds: body.holds } })
      await tell(tx, body.roundId)
      return { ok: true as const }
    })
  })

  mount(router, deps, endpoints.roundEvents, async ({ params, req, res }) => {
    await roundRow(deps.db, params.id)
    hear(deps, params.id, req, res)
    return undefined
  })
}
