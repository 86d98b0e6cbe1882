import { corePart, endpoints, workOf, type PlanRecord } from '@motor-round/contract'
import { sheavesAt, turnsAt } from '@motor-round/core/fitted'
import { eq, sql } from 'drizzle-orm'
import type { Router } from 'express'
import { v7 as uuid } from 'uuid'
import type { Tx } from '../db/client.ts'
import { machines, plans, work } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { fieldProblem, HttpProblem, notFound } from '../http/problem.ts'
import { lockMachine } from '../register/machines.ts'
import { fitInSlot } from '../register/slot.ts'
import { loadKnown, type Known } from '../roof/known.ts'
import { refresh } from '../roof/refresh.ts'
import { currentRules } from '../rules/current.ts'
import { asPlan, donePlans, lockPlan, lockPlanId } from './plans.ts'

async function knownOf(tx: Tx, id: string): Promise<Known> {
  const [known] = await loadKnown(tx, [id])
  if (!known) throw notFound('machine')
  return known
}

interface Doing {
  readonly workId: string
  readonly doneAt: Date
  readonly by: string
  readonly note: string
}

/** Record what a plan was as what it is: turns or hertz as work, sheaves and belts as parts fitted. */
async function carryOut(tx: Tx, known: Known, plan: Pick<PlanRecord, 'change' | 'predicted'>, d: Doing, now: Date) {
  const { machine } = known
  const parts = known.parts.map(corePart)
  const done = workOf(known)
  const { change, predicted } = plan
  const base = { id: d.workId, siteId: machine.siteId, machineId: machine.id, doneAt: d.doneAt, note: d.note, by: d.by }
  if (change.kind === 'hertz') {
    await tx.insert(work).values({ ...base, kind: 'speed-set', recordedAt: now })
    return
  }
  if (change.kind === 'turns') {
    const before = turnsAt(parts, done, d.doneAt.getTime())
    if (before === null) throw new HttpProblem(409, 'There is no adjustable sheave on the motor any more.')
    await tx
      .insert(work)
      .values({ ...base, kind: 'sheave-turned', recordedAt: now, turns: { before, after: change.turns } })
  } else {
    const slot = change.kind === 'motor sheave' ? 'motor-sheave' : 'driven-sheave'
    const inPlace = known.parts.find((p) => p.part.slot === slot && p.removedAt === null)?.part
    if (!inPlace || !('section' in inPlace.spec)) throw new HttpProblem(409, 'That sheave is not in the book any more.')
    const grooves = 'grooves' in inPlace.spec ? inPlace.spec.grooves : 1
    await fitInSlot(
      tx,
      machine,
      {
        id: d.workId,
        slot,
        spec: { type: 'fixed', section: inPlace.spec.section, pitch: change.pitch, grooves },
        fittedAt: d.doneAt,
        fittedBy: d.by,
        why: d.note,
        standIn: false,
      },
      'changed for another speed',
    )
  }
  // A belt that is taut again says where the motor stands.
  if (predicted.centre !== null)
    await tx
      .update(machines)
      .set({
        layout: sql`${machines.layout} || jsonb_build_object('centre', ${predicted.centre}::float8)`,
        version: sql`${machines.version} + 1`,
      })
      .where(eq(machines.id, machine.id))
  const belts = known.parts.find((p) => p.part.slot === 'belts' && p.removedAt === null)?.part
  if (predicted.newBelt && belts?.slot === 'belts')
    await fitInSlot(
      tx,
      machine,
      {
        id: uuid(),
        slot: 'belts',
        spec: { ...belts.spec, ...predicted.newBelt },
        fittedAt: d.doneAt,
        fittedBy: d.by,
        why: d.note,
        standIn: false,
      },
      'too short or too long for the new sheave',
    )
}

/** Changes of speed from the bench: planned, done or dropped, and what came of them. */
export function planRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.plans, () => donePlans(deps.db))

  mount(router, deps, endpoints.makePlan, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      await lockPlanId(tx, body.id)
      const machine = await lockMachine(tx, body.machineId)
      const [again] = await tx.select().from(plans).where(eq(plans.id, body.id))
      const known = await knownOf(tx, machine.id)
      if (again) {
        if (again.machineId !== machine.id) throw fieldProblem('id', 'that id is a plan of another machine', 409)
        return asPlan(again, known)
      }
      const { change } = body
      const now = sheavesAt(known.parts.map(corePart), workOf(known), deps.now().getTime())
      if (change.kind === 'turns' && now.turns === null)
        throw fieldProblem('change.turns', 'no adjustable sheave is in the book of this machine')
      if (change.kind === 'hertz' && !machine.hasDrive) throw fieldProblem('change.hz', 'this machine has no drive')
      if (change.kind !== 'turns' && change.kind !== 'hertz' && (now.driver === null || now.driven === null))
        throw fieldProblem('change.pitch', 'its sheaves are not in the book')
      const [row] = await tx
        .insert(plans)
        .values({ ...body, madeAt: new Date(body.madeAt), siteId: machine.siteId, by: person.name })
        .returning()
      if (!row) throw notFound('plan')
      return asPlan(row, known)
    }),
  )

  mount(router, deps, endpoints.doPlan, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const row = await lockPlan(tx, params.id)
      if (!row) throw notFound('plan')
      const known = await knownOf(tx, row.machineId)
      if (row.doneAt) return asPlan(row, known)
      if (row.droppedAt) throw new HttpProblem(409, 'That plan was dropped.')
      await lockMachine(tx, row.machineId)
      const doneAt = new Date(body.doneAt)
      if (doneAt < row.madeAt) throw fieldProblem('doneAt', 'it was planned after that')
      if (doneAt.getTime() > deps.now().getTime() + 86_400_000) throw fieldProblem('doneAt', 'lies in the future')
      await carryOut(tx, known, row, { workId: body.workId, doneAt, by: person.name, note: body.note }, deps.now())
      const [after] = await tx.update(plans).set({ doneAt }).where(eq(plans.id, row.id)).returning()
      if (!after) throw notFound('plan')
      await refresh(tx, [row.machineId], await currentRules(tx))
      return asPlan(after, await knownOf(tx, row.machineId))
    }),
  )

  mount(router, deps, endpoints.dropPlan, ({ params, body }) =>
    deps.db.transaction(async (tx) => {
      const row = await lockPlan(tx, params.id)
      if (!row) throw notFound('plan')
      if (row.doneAt) throw new HttpProblem(409, 'That plan was done.')
      const [after] = await tx
        .update(plans)
        .set({ droppedAt: deps.now(), droppedWhy: body.why })
        .where(eq(plans.id, row.id))
        .returning()
      if (!after) throw notFound('plan')
      return asPlan(after, await knownOf(tx, row.machineId))
    }),
  )
}
