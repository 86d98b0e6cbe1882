import { endpoints, type partInstalled } from '@motor-round/contract'
import { lifeOf, livesOf, partSlots } from '@motor-round/core/installed'
import { and, eq, ne } from 'drizzle-orm'
import type { Router } from 'express'
import type { z } from 'zod'
import { record } from '../audit/record.ts'
import type { Tx } from '../db/client.ts'
import { components } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { fieldProblem, HttpProblem, notFound } from '../http/problem.ts'
import { asPart } from '../machine-list/known.ts'
import { refresh } from '../machine-list/refresh.ts'
import { refuseStale } from './edit.ts'
import { lockMachine } from './machines.ts'
import { installInSlot } from './slot.ts'

async function lockPart(tx: Tx, id: string) {
  const [row] = await tx
    .select()
    .from(components)
    .where(and(eq(components.id, id), ne(components.slot, 'motor')))
    .for('update')
  if (!row) throw notFound('part')
  return row
}

const told = (c: typeof components.$inferSelect) => ({ ...c.spec, installedAt: c.installedAt.toISOString() })

/** Fit a part; the one in its slot moves to the past. The same id twice fits one. */
export async function keepPart(
  tx: Tx,
  body: z.output<typeof partInstalled>,
  by: string,
  now: Date,
): Promise<{ readonly row: typeof components.$inferSelect; readonly fresh: boolean }> {
  const machine = await lockMachine(tx, body.machineId)
  const { row, old, again } = await installInSlot(
    tx,
    machine,
    {
      id: body.id,
      ...body.part,
      installedAt: new Date(body.installedAt),
      installedBy: by,
      why: body.why,
      substitute: body.substitute,
    },
    { removedFor: body.removedFor, removedWhy: body.removedWhy },
    now,
  )
  if (again) return { row, fresh: false }
  await record(tx, {
    by,
    at: now,
    what: `${body.part.slot} ${old ? 'replaced' : 'entered'}`,
    entity: 'part',
    entityId: row.id,
    why: body.removedWhy,
    before: old ? told(old) : {},
    after: told(row),
  })
  await refresh(tx, [machine.id])
  return { row, fresh: true }
}

/** Sheaves, belts, bearings, shaft, wheel and filters: what is installed, with its past. */
export function partRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.installPart, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const { row } = await keepPart(tx, { ...body, machineId: params.id }, person.name, deps.now())
      return asPart(row)
    }),
  )

  mount(router, deps, endpoints.editPart, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const before = await lockPart(tx, params.id)
      await refuseStale(tx, 'part', before.id, before.version, body.version, asPart(before))
      if (body.part.slot !== before.slot) throw fieldProblem('part.slot', 'a part stays in its slot; remove it instead')
      const installedAt = new Date(body.installedAt)
      if (before.removedAt && installedAt >= before.removedAt)
        throw fieldProblem('installedAt', 'it was removed before that')
      const [row] = await tx
        .update(components)
        .set({
          spec: body.part.spec,
          installedAt,
          why: body.why,
          substitute: body.substitute,
          version: before.version + 1,
        })
        .where(eq(components.id, before.id))
        .returning()
      if (!row) throw notFound('part')
      await record(tx, {
        by: person.name,
        at: deps.now(),
        what: `${row.slot} corrected`,
        entity: 'part',
        entityId: row.id,
        before: told(before),
        after: told(row),
      })
      await refresh(tx, [row.machineId])
      return asPart(row)
    }),
  )

  mount(router, deps, endpoints.removePart, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const before = await lockPart(tx, params.id)
      await refuseStale(tx, 'part', before.id, before.version, body.version, asPart(before))
      if (before.removedAt) throw new HttpProblem(409, 'It is already removed.')
      const removedAt = new Date(body.removedAt)
      if (removedAt <= before.installedAt) throw fieldProblem('removedAt', 'it was installed after that')
      const [row] = await tx
        .update(components)
        .set({ removedAt, removedFor: body.removedFor, removedWhy: body.removedWhy, version: before.version + 1 })
        .where(eq(components.id, before.id))
        .returning()
      if (!row) throw notFound('part')
      await record(tx, {
        by: person.name,
        at: deps.now(),
        what: `${row.slot} removed`,
        entity: 'part',
        entityId: row.id,
        why: body.removedWhy,
        before: told(before),
        after: {},
      })
      await refresh(tx, [row.machineId])
      return asPart(row)
    }),
  )

  mount(router, deps, endpoints.partLives, async () => {
    const rows = await deps.db
      .select({
        slot: components.slot,
        installedAt: components.installedAt,
        removedAt: components.removedAt,
        removedFor: components.removedFor,
      })
      .from(components)
    const now = deps.now()
    return (['motor', ...partSlots] as const).flatMap((slot) => {
      const lives = rows
        .filter((r) => r.slot === slot)
        .map(({ installedAt, removedAt, removedFor }) =>
          lifeOf(
            { installedAt: installedAt.getTime(), removedAt: removedAt?.getTime() ?? null, removedFor },
            now.getTime(),
          ),
        )
      return lives.length === 0 ? [] : [{ slot, ...livesOf(lives) }]
    })
  })
}
