import { endpoints, type BodyOf, type partInstalled, type PartRecord, type Person } from '@motor-round/contract'
import { lifeOf, livesOf, partSlots } from '@motor-round/core/installed'
import { and, eq, ne } from 'drizzle-orm'
import type { Router } from 'express'
import type { z } from 'zod'
import type { Tx } from '../db/client.ts'
import { components } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { refuseFuture } from '../http/in-time.ts'
import { fieldProblem, HttpProblem, notFound } from '../http/problem.ts'
import { changeMachine, type Author, type Change, type Done, authorOf } from '../machine/command.ts'
import { asPart } from '../machine/snapshot.ts'
import { refuseStale } from './edit.ts'
import { installInSlot } from './slot.ts'

type Row = typeof components.$inferSelect

const recorded = (c: Row) => ({ ...c.spec, installedAt: c.installedAt.toISOString() })

/** Change a part that is on record, on the version it was read at. */
async function changePart(
  tx: Tx,
  id: string,
  version: number,
  author: Author,
  change: (before: Row) => Promise<Omit<Change<Row>, 'fresh'>>,
): Promise<PartRecord> {
  const part = and(eq(components.id, id), ne(components.slot, 'motor'))
  const [of] = await tx.select({ machineId: components.machineId }).from(components).where(part)
  if (!of) throw notFound('part')
  const { value } = await changeMachine(tx, of.machineId, author, async () => {
    const [before] = await tx.select().from(components).where(part).for('no key update')
    if (!before) throw notFound('part')
    await refuseStale(tx, 'part', before.id, before.version, version, asPart(before))
    return { ...(await change(before)), fresh: true }
  })
  return asPart(value)
}

/** Install a part; the one in its slot moves to the past. The same id twice installs one. */
export const keepPart = (tx: Tx, body: z.output<typeof partInstalled>, author: Author): Promise<Done<Row>> =>
  changeMachine(tx, body.machineId, author, async (machine) => {
    refuseFuture('installedAt', body.installedAt, author.now)
    const { row, old, again } = await installInSlot(
      tx,
      machine,
      {
        id: body.id,
        ...body.part,
        installedAt: new Date(body.installedAt),
        why: body.why,
        substitute: body.substitute,
      },
      { removedFor: body.removedFor, removedWhy: body.removedWhy },
      author,
    )
    return {
      value: row,
      fresh: !again,
      audit: {
        what: `${body.part.slot} ${old ? 'replaced' : 'entered'}`,
        entity: 'part',
        entityId: row.id,
        why: body.removedWhy,
        before: old ? recorded(old) : {},
        after: recorded(row),
      },
    }
  })

const editPart = (tx: Tx, id: string, body: BodyOf<typeof endpoints.editPart>, author: Author): Promise<PartRecord> =>
  changePart(tx, id, body.version, author, async (before) => {
    if (body.part.slot !== before.slot) throw fieldProblem('part.slot', 'a part stays in its slot; remove it instead')
    const installedAt = new Date(body.installedAt)
    refuseFuture('installedAt', installedAt, author.now)
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
    return {
      value: row,
      audit: {
        what: `${row.slot} corrected`,
        entity: 'part',
        entityId: row.id,
        before: recorded(before),
        after: recorded(row),
      },
    }
  })

const removePart = (
  tx: Tx,
  id: string,
  body: BodyOf<typeof endpoints.removePart>,
  author: Author,
): Promise<PartRecord> =>
  changePart(tx, id, body.version, author, async (before) => {
    if (before.removedAt) throw new HttpProblem(409, 'It is already removed.')
    const removedAt = new Date(body.removedAt)
    refuseFuture('removedAt', removedAt, author.now)
    if (removedAt <= before.installedAt) throw fieldProblem('removedAt', 'it was installed after that')
    const [row] = await tx
      .update(components)
      .set({ removedAt, removedFor: body.removedFor, removedWhy: body.removedWhy, version: before.version + 1 })
      .where(eq(components.id, before.id))
      .returning()
    if (!row) throw notFound('part')
    return {
      value: row,
      audit: {
        what: `${row.slot} removed`,
        entity: 'part',
        entityId: row.id,
        why: body.removedWhy,
        before: recorded(before),
        after: {},
      },
    }
  })

/** Sheaves, belts, bearings, shaft, wheel and filters: what is installed, with its past. */
export function partRoutes(router: Router, deps: Deps): void {
  const by = (person: Person): Author => authorOf(person, deps.now())

  mount(router, deps, endpoints.installPart, ({ params, body, person }) =>
    deps.db.transaction(async (tx) =>
      asPart((await keepPart(tx, { ...body, machineId: params.id }, by(person))).value),
    ),
  )
  mount(router, deps, endpoints.editPart, ({ params, body, person }) =>
    deps.db.transaction((tx) => editPart(tx, params.id, body, by(person))),
  )
  mount(router, deps, endpoints.removePart, ({ params, body, person }) =>
    deps.db.transaction((tx) => removePart(tx, params.id, body, by(person))),
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
