import { endpoints, type Machine, type Person } from '@motor-round/contract'
import { and, asc, eq, like, ne, sql } from 'drizzle-orm'
import type { Router } from 'express'
import { sent, together, type Db, type Tx } from '../db/client.ts'
import { prepared } from '../db/prepared.ts'
import { areas, machines, machineStates, sites, units } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { fieldProblem, notFound } from '../http/problem.ts'
import { asMachine, loadSnapshots } from '../machine/snapshot.ts'
import { standingAmong } from '../machine/standing.ts'
import { addMachine, changeMachine, authorOf } from '../machine/command.ts'
import { likePattern } from '../machine-list/rows.ts'
import { peersOf } from './peers.ts'
import { currentPolicies } from '../policies/current.ts'
import { peerTracesOf } from '../traces/load.ts'
import { speedChangesOf } from '../speed-changes/speed-changes.ts'
import { refuseStale } from './edit.ts'
import { asUnit } from './places.ts'

async function unitOf(tx: Db | Tx, id: string) {
  const [unit] = await tx.select().from(units).where(eq(units.id, id))
  if (!unit) throw fieldProblem('unitId', 'no such unit')
  return unit
}

const placeOf = (db: Db) =>
  prepared(db, 'place_of_machine', () =>
    db
      .select({ unit: units, area: areas, site: sites, dueAt: machineStates.dueAt })
      .from(machines)
      .innerJoin(units, eq(units.id, machines.unitId))
      .innerJoin(areas, eq(areas.id, units.areaId))
      .innerJoin(sites, eq(sites.id, units.siteId))
      .leftJoin(machineStates, eq(machineStates.machineId, machines.id))
      .where(eq(machines.id, sql.placeholder('id')))
      .prepare('place_of_machine'),
  )

const siblingsOf = (db: Db) =>
  prepared(db, 'siblings_of_machine', () =>
    db
      .select({ id: machines.id, tag: machines.tag })
      .from(machines)
      .where(and(eq(machines.unitId, sql.placeholder('unit')), ne(machines.id, sql.placeholder('id'))))
      .orderBy(asc(machines.tag))
      .prepare('siblings_of_machine'),
  )

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

  mount(router, deps, endpoints.machinePage, ({ params }) =>
    together(deps.db, async (db) => {
      const id = params.id
      const [[known], [place], policies] = await Promise.all([
        loadSnapshots(db, [id]),
        sent(placeOf(db).execute({ id })),
        currentPolicies(db),
      ])
      if (!known || !place) throw notFound('machine')
      const { unit, area, site } = place
      const [siblings, peers, speedChanges, peerTraces] = await Promise.all([
        sent(siblingsOf(db).execute({ id, unit: unit.id })),
        peersOf(db, known),
        speedChangesOf(db, known),
        peerTracesOf(db, id, unit),
      ])
      return {
        machine: known.machine,
        unit: asUnit(unit),
        area,
        site,
        motor: known.motors.find((m) => m.removedAt === null) ?? null,
        pastMotors: known.motors.filter((m) => m.removedAt !== null).reverse(),
        twins: [...known.twins],
        peers,
        siblings: siblings.map((s) => ({ ...s, unitTag: unit.tag })),
        visits: [...known.visits],
        moreVisits: known.allVisits - known.visits.length,
        work: [...known.work],
        parts: [...known.parts],
        speedChanges,
        findings: [...known.findings],
        closings: [...known.closings],
        live: known.live,
        turnedAt: known.turnedAt,
        traces: [...known.traces],
        jobs: [...known.jobs],
        peerTraces,
        judgement: await standingAmong(db, known, peers, policies),
        dueAt: place.dueAt?.toISOString() ?? null,
      }
    }),
  )

  mount(router, deps, endpoints.addMachine, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      const { value } = await addMachine(tx, body.id, authorOf(person, deps.now()), async () => {
        const unit = await unitOf(tx, body.unitId)
        const [row] = await tx
          .insert(machines)
          .values({ ...body, siteId: unit.siteId })
          .returning()
        if (!row) throw notFound('machine')
        const audit = { what: 'machine added', entity: 'machine', entityId: row.id, after: body }
        return { value: asMachine(row), fresh: true, audit }
      })
      return value
    }),
  )

  /** Write what changes of a machine, on the version it was read at. */
  const edit = (
    id: string,
    version: number,
    person: Person,
    what: string,
    why: string,
    set: (tx: Tx, before: Machine) => Promise<Partial<typeof machines.$inferInsert>>,
  ): Promise<Machine> =>
    deps.db.transaction(async (tx) => {
      const { value } = await changeMachine(tx, id, authorOf(person, deps.now()), async (before) => {
        await refuseStale(tx, 'machine', before.id, before.version, version, before)
        const [row] = await tx
          .update(machines)
          .set({ ...(await set(tx, before)), version: before.version + 1 })
          .where(eq(machines.id, id))
          .returning()
        if (!row) throw notFound('machine')
        const after = asMachine(row)
        return { value: after, fresh: true, audit: { what, entity: 'machine', entityId: id, why, before, after } }
      })
      return value
    })

  mount(router, deps, endpoints.editMachine, ({ params, body, person }) => {
    const { id: _id, version, ...set } = body
    return edit(params.id, version, person, 'machine changed', '', async (tx, before) => {
      const unit = await unitOf(tx, body.unitId)
      if (unit.siteId !== before.siteId) throw fieldProblem('unitId', 'a machine cannot move to another site')
      return set
    })
  })

  mount(router, deps, endpoints.retireMachine, ({ params, body, person }) =>
    edit(params.id, body.version, person, body.retired ? 'machine retired' : 'machine back in service', body.why, () =>
      Promise.resolve({ retiredAt: body.retired ? deps.now() : null }),
    ),
  )
}
