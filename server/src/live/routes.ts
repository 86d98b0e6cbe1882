import { liveEndpoints } from '@motor-round/contract'
import type { Router } from 'express'
import { record } from '../audit/record.ts'
import { liveOffHours } from '../db/live-schema.ts'
import { machines } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { notFound } from '../http/problem.ts'
import { eq } from 'drizzle-orm'
import { takeBackUnassigned } from './folder.ts'
import { markDays, sumUp } from './pass.ts'
import { liveNowOf, livePageOf } from './page.ts'
import { dropPoint, keepPoint, liveSourcesOf } from './points.ts'
import { reportOf, takeFile } from './take-file.ts'

/** What a building's own instruments say of its machines. */
export function liveRoutes(router: Router, deps: Deps): void {
  const { db, config } = deps

  mount(router, deps, liveEndpoints.live, ({ params, query }) =>
    livePageOf(db, params.id, query.span, query.until === undefined ? null : new Date(query.until), deps.now()),
  )

  mount(router, deps, liveEndpoints.liveNow, ({ params }) => liveNowOf(db, params.id))

  mount(router, deps, liveEndpoints.setOffHours, async ({ params, body, person }) => {
    await db.transaction(async (tx) => {
      const [machine] = await tx
        .select({ id: machines.id })
        .from(machines)
        .where(eq(machines.id, params.id))
        .for('no key update')
      if (!machine) throw notFound('machine')
      const now = deps.now()
      const [before] = await tx.select().from(liveOffHours).where(eq(liveOffHours.machineId, machine.id))
      const row = { machineId: machine.id, offHours: body.offHours, by: person.name, at: now }
      await tx.insert(liveOffHours).values(row).onConflictDoUpdate({ target: liveOffHours.machineId, set: row })
      await record(tx, {
        by: person.name,
        byId: person.id,
        at: now,
        what: 'off hours entered',
        entity: 'machine',
        entityId: machine.id,
        before: { offHours: before?.offHours ?? [] },
        after: { offHours: body.offHours },
      })
      await markDays(tx, machine.id, now)
    })
    await sumUp(db, deps.now())
    return body
  })

  mount(router, deps, liveEndpoints.liveSources, () => liveSourcesOf(db, config))

  mount(router, deps, liveEndpoints.setLivePoint, async ({ body, person }) => {
    await db.transaction((tx) => keepPoint(tx, body, person, deps.now()))
    await takeBackUnassigned(deps)
    return liveSourcesOf(db, config)
  })

  mount(router, deps, liveEndpoints.dropLivePoint, async ({ params, person }) => {
    await db.transaction((tx) => dropPoint(tx, params.id, person, deps.now()))
    return liveSourcesOf(db, config)
  })

  mount(router, deps, liveEndpoints.sendLiveFile, async ({ query, person, req }) => {
    const before = await reportOf(db, query.id)
    // Sent once more because its answer was lost: what it came to is known.
    if (before?.status === 'kept' && before.errorCount === 0 && before.unmapped.length === 0) {
      req.resume()
      return before
    }
    return takeFile(
      db,
      req,
      { id: query.id, name: query.name, source: 'upload', by: person.name, zone: query.zone ?? null },
      deps.now(),
    )
  })
}
