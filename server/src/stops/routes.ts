import { coreStop, endpoints } from '@motor-round/contract'
import { eq, sql } from 'drizzle-orm'
import type { Router } from 'express'
import { record } from '../audit/record.ts'
import type { Tx } from '../db/client.ts'
import { readings, stops, supersessions, work } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { fieldProblem, HttpProblem, notFound } from '../http/problem.ts'
import { lockMachine } from '../register/machines.ts'
import { judgeStop } from '../roof/judge-known.ts'
import { asWork, loadKnown } from '../roof/known.ts'
import { refresh } from '../roof/refresh.ts'
import { currentRules } from '../rules/current.ts'

/** Two sends of one id wait for each other: the second finds what the first kept. */
const lockId = (tx: Tx, id: string) => tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${id}, 7))`)

const dayMs = 86_400_000

/** Stops and work: facts, kept once, never changed. */
export function stopRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.saveStop, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      await lockId(tx, body.id)
      const rules = await currentRules(tx)
      const answer = async (already: boolean) => {
        const [known] = await loadKnown(tx, [body.machineId])
        const kept = known?.stops.find((s) => s.id === body.id)
        if (!known || !kept) throw notFound('stop')
        return {
          stop: kept,
          judgement: kept.readings.length > 0 ? judgeStop(known, coreStop(kept), rules) : null,
          already,
        }
      }
      const [again] = await tx.select({ machineId: stops.machineId }).from(stops).where(eq(stops.id, body.id))
      if (again) {
        if (again.machineId !== body.machineId) throw fieldProblem('id', 'that id is a stop of another machine', 409)
        return answer(true)
      }
      const takenAt = new Date(body.takenAt)
      if (takenAt.getTime() > deps.now().getTime() + dayMs)
        throw fieldProblem('takenAt', 'lies in the future; is the clock right?')
      const machine = await lockMachine(tx, body.machineId)
      if (body.supersedes !== null) {
        const [old] = await tx.select().from(stops).where(eq(stops.id, body.supersedes))
        if (!old || old.machineId !== machine.id) throw fieldProblem('supersedes', 'no such stop of this machine')
        const [replaced] = await tx.select().from(supersessions).where(eq(supersessions.oldStopId, old.id))
        if (replaced) throw new HttpProblem(409, 'That stop has been corrected already; correct the newer one.')
      }
      await tx.insert(stops).values({
        id: body.id,
        siteId: machine.siteId,
        machineId: machine.id,
        takenAt,
        recordedAt: deps.now(),
        by: person.name,
        byId: person.id,
        state: body.state,
        answers: body.answers,
        passes: body.passes,
        note: body.note,
        supersedes: body.supersedes,
        reason: body.reason,
        source: 'walk',
      })
      if (body.readings.length > 0)
        await tx.insert(readings).values(
          body.readings.map((r) => ({
            siteId: machine.siteId,
            machineId: machine.id,
            takenAt,
            stopId: body.id,
            ...r,
          })),
        )
      if (body.supersedes !== null) {
        await tx.insert(supersessions).values({ oldStopId: body.supersedes, newStopId: body.id, machineId: machine.id })
        await record(tx, {
          by: person.name,
          at: deps.now(),
          what: 'stop corrected',
          entity: 'stop',
          entityId: machine.id,
          why: body.reason,
          before: { stop: body.supersedes },
          after: { stop: body.id },
        })
      }
      await refresh(tx, [machine.id], rules)
      return answer(false)
    }),
  )

  mount(router, deps, endpoints.saveWork, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      await lockId(tx, body.id)
      const [again] = await tx.select().from(work).where(eq(work.id, body.id))
      if (again) return asWork(again)
      const doneAt = new Date(body.doneAt)
      if (doneAt.getTime() > deps.now().getTime() + dayMs) throw fieldProblem('doneAt', 'lies in the future')
      const machine = await lockMachine(tx, body.machineId)
      const [row] = await tx
        .insert(work)
        .values({ ...body, doneAt, siteId: machine.siteId, by: person.name, recordedAt: deps.now() })
        .returning()
      if (!row) throw notFound('work')
      await refresh(tx, [machine.id], await currentRules(tx))
      return asWork(row)
    }),
  )
}
