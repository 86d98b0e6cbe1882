import { endpoints, type Machine } from '@motor-round/contract'
import { and, asc, eq, like, ne } from 'drizzle-orm'
import type { Router } from 'express'
import { record } from '../audit/record.ts'
import type { Db, Tx } from '../db/client.ts'
import { areas, machines, machineStates, sites, units } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { fieldProblem, notFound } from '../http/problem.ts'
import { judgeStanding } from '../machine-list/judge-known.ts'
import { asMachine, loadKnown } from '../machine-list/known.ts'
import { refresh } from '../machine-list/refresh.ts'
import { likePattern } from '../machine-list/routes.ts'
import { peersOf } from './peers.ts'
import { currentPolicies } from '../policies/current.ts'
import { speedChangesOf } from '../speed-changes/speed-changes.ts'
import { refuseStale } from './edit.ts'
import { asUnit } from './places.ts'

/** The machine for change, or 404. */
export async function lockMachine(tx: Tx, id: string): Promise<Machine> {
  const [row] = await tx.select().from(machines).where(eq(machines.id, id)).for('update')
  if (!row) throw notFound('machine')
  return asMachine(row)
}

async function unitOf(tx: Db | Tx, id: string) {
  const [unit] = await tx.select().from(units).where(eq(units.id, id))
  if (!unit) throw fieldProblem('unitId', 'no such unit')
  return unit
}

/** Fan assemblies. */
export function machineRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.findMachines, async ({ query }) => {
    const rows = await deps.db
      .select({
        id: machines.id,
        unitTag: units.tag,
        tag: machines.tag,
        purpose: machines.purpose,
        siteName: sites.name,
      })
      .from(machineStates)
      .innerJoin(machines, eq(machines.id, machineStates.machineId))
      .innerJoin(units, eq(units.id, machines.unitId))
      .innerJoin(sites, eq(sites.id, machines.siteId))
      .where(and(eq(machineStates.retired, false), like(machineStates.words, likePattern(query.q))))
      .orderBy(asc(machineStates.sortKey))
      .limit(20)
    return rows
  })

  mount(router, deps, endpoints.machinePage, async ({ params }) => {
    const [known] = await loadKnown(deps.db, [params.id])
    if (!known) throw notFound('machine')
    const unit = await unitOf(deps.db, known.machine.unitId)
    const [area] = await deps.db.select().from(areas).where(eq(areas.id, unit.areaId))
    const [site] = await deps.db.select().from(sites).where(eq(sites.id, unit.siteId))
    if (!area || !site) throw notFound('machine')
    const siblings = await deps.db
      .select({ id: machines.id, tag: machines.tag })
      .from(machines)
      .where(and(eq(machines.unitId, unit.id), ne(machines.id, known.machine.id)))
      .orderBy(asc(machines.tag))
    const [state] = await deps.db
      .select({ dueAt: machineStates.dueAt })
      .from(machineStates)
      .where(eq(machineStates.machineId, params.id))
    const motor = known.motors.find((m) => m.removedAt === null) ?? null
    const peers = await peersOf(deps.db, known)
    const judgement = judgeStanding({ ...known, peers }, await currentPolicies(deps.db))
    return {
      machine: known.machine,
      unit: asUnit(unit),
      area,
      site,
      motor,
      pastMotors: known.motors.filter((m) => m.removedAt !== null).reverse(),
      twins: [...known.twins],
      peers,
      siblings: siblings.map((s) => ({ ...s, unitTag: unit.tag })),
      visits: [...known.visits],
      moreVisits: known.allVisits - known.visits.length,
      work: [...known.work],
      parts: [...known.parts],
      speedChanges: await speedChangesOf(deps.db, known),
      findings: [...known.findings],
      closings: [...known.closings],
      judgement,
      dueAt: state?.dueAt?.toISOString() ?? null,
    }
  })

  mount(router, deps, endpoints.addMachine, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      const unit = await unitOf(tx, body.unitId)
      const [row] = await tx
        .insert(machines)
        .values({ ...body, siteId: unit.siteId })
        .returning()
      if (!row) throw notFound('machine')
      await record(tx, {
        by: person.name,
        at: deps.now(),
        what: 'machine added',
        entity: 'machine',
        entityId: row.id,
        after: body,
      })
      await refresh(tx, [row.id])
      return asMachine(row)
    }),
  )

  mount(router, deps, endpoints.editMachine, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const before = await lockMachine(tx, params.id)
      await refuseStale(tx, 'machine', before.id, before.version, body.version, before)
      const unit = await unitOf(tx, body.unitId)
      if (unit.siteId !== before.siteId) throw fieldProblem('unitId', 'a machine cannot move to another site')
      const { id: _id, version, ...set } = body
      const [row] = await tx
        .update(machines)
        .set({ ...set, version: version + 1 })
        .where(eq(machines.id, params.id))
        .returning()
      if (!row) throw notFound('machine')
      const after = asMachine(row)
      await record(tx, {
        by: person.name,
        at: deps.now(),
        what: 'machine changed',
        entity: 'machine',
        entityId: row.id,
        before,
        after,
      })
      await refresh(tx, [row.id])
      return after
    }),
  )

  mount(router, deps, endpoints.retireMachine, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const before = await lockMachine(tx, params.id)
      await refuseStale(tx, 'machine', before.id, before.version, body.version, before)
      const [row] = await tx
        .update(machines)
        .set({ retiredAt: body.retired ? deps.now() : null, version: before.version + 1 })
        .where(eq(machines.id, params.id))
        .returning()
      if (!row) throw notFound('machine')
      const after = asMachine(row)
      await record(tx, {
        by: person.name,
        at: deps.now(),
        what: body.retired ? 'machine retired' : 'machine back in service',
        entity: 'machine',
        entityId: row.id,
        why: body.why,
        before,
        after,
      })
      await refresh(tx, [row.id])
      return after
    }),
  )
}
