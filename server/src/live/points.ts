import type { BodyOf, liveEndpoints, LiveFile, Person, ResponseOf } from '@motor-round/contract'
import { factorOf, liveQuantity, unitDoubt } from '@motor-round/core/live'
import { and, asc, desc, eq, ne, sql } from 'drizzle-orm'
import { record } from '../audit/record.ts'
import type { Config } from '../config.ts'
import type { Db, Tx } from '../db/client.ts'
import { liveFiles, livePoints } from '../db/live-schema.ts'
import { machines, sites, units } from '../db/schema.ts'
import { vfdLinks } from '../db/vfd-schema.ts'
import { fieldProblem, notFound } from '../http/problem.ts'
import { newestAt } from './chunk.ts'
import type { MappedPoint } from './file.ts'
import { liveMachines } from './pass.ts'

/** Every minute is kept so many days, then its hours alone. */
export const keepDays = 400
const latestFiles = 30

const point = (r: typeof livePoints.$inferSelect) => ({ ...r, at: r.at.toISOString() })

/** Columns of a machine. */
export const pointsOf = async (db: Db | Tx, machineId: string) =>
  (await db.select().from(livePoints).where(eq(livePoints.machineId, machineId)).orderBy(asc(livePoints.quantity))).map(
    point,
  )

/** All columns that are mapped, as a file is read by them. */
export async function mappedPoints(db: Db | Tx): Promise<Map<string, MappedPoint>> {
  const rows = await db.select().from(livePoints)
  const known =
    rows.length === 0 ? new Map<string, never>() : await liveMachines(db, [...new Set(rows.map((r) => r.machineId))])
  return new Map(
    rows.flatMap((r) => {
      const m = known.get(r.machineId)
      if (!m) return []
      const { machineId, factor } = r
      return [
        [r.name, { machineId, factor, quantity: liveQuantity(r.quantity), zone: m.zone, plate: m.plate }] as const,
      ]
    }),
  )
}

/** Files as they were taken, newest first. */
export const filesOf = async (db: Db | Tx): Promise<LiveFile[]> =>
  (await db.select().from(liveFiles).orderBy(desc(liveFiles.at), desc(liveFiles.id)).limit(latestFiles)).map(
    (r) => r.report,
  )

interface Polled extends Record<string, unknown> {
  machine_id: string
  unit_tag: string
  tag: string
  day: number | null
  minutes: Buffer | null
}

/** Machines whose drives are read, each with the newest minute that came. */
async function polledOf(db: Db | Tx) {
  const { rows } = await db.execute<Polled>(sql`
    select l.machine_id, u.tag as unit_tag, m.tag, c.day, c.minutes from vfd_links l
    join machines m on m.id = l.machine_id join units u on u.id = m.unit_id
    left join lateral (
      select c.day, c.minutes from live_series s join live_chunks c on c.series = s.id
      where s.machine_id = l.machine_id order by c.day desc limit 1
    ) c on true
    where l.live order by u.tag, m.tag`)
  return rows.map((r) => ({
    machineId: r.machine_id,
    unitTag: r.unit_tag,
    tag: r.tag,
    last: r.day === null || r.minutes === null ? null : new Date(newestAt(r.day, r.minutes)).toISOString(),
  }))
}

/** Where live data comes from. */
export async function liveSourcesOf(
  db: Db | Tx,
  config: Config,
): Promise<ResponseOf<typeof liveEndpoints.liveSources>> {
  const [points, files, polled] = await Promise.all([
    db
      .select({ point: livePoints, unitTag: units.tag, tag: machines.tag, siteName: sites.name })
      .from(livePoints)
      .innerJoin(machines, eq(machines.id, livePoints.machineId))
      .innerJoin(units, eq(units.id, machines.unitId))
      .innerJoin(sites, eq(sites.id, machines.siteId))
      .orderBy(asc(livePoints.name)),
    filesOf(db),
    polledOf(db),
  ])
  const known = new Set(points.map((p) => p.point.name))
  const unmapped = new Map(
    [...files]
      .reverse()
      .flatMap((f) => f.unmapped.filter((u) => !known.has(u.name)).map((u) => [u.name, { ...u, file: f.name }])),
  )
  return {
    points: points.map(({ point: p, ...place }) => ({ ...point(p), ...place })),
    unmapped: [...unmapped.values()].sort((a, b) => a.name.localeCompare(b.name)).slice(0, 500),
    files,
    polled,
    folder: config.LIVE_DIR !== undefined,
    keepDays,
  }
}

/** Quantities that a drive sends that is read every minute. */
const ofDrives = new Set(['hz', 'amps', 'running'])

/**
 * A column belongs to a machine and a quantity. Its unit is held against the nameplate.
 * @throws a problem at the field: no such machine, another column has that quantity, the unit does not fit what was seen
 */
export async function keepPoint(
  tx: Tx,
  body: BodyOf<typeof liveEndpoints.setLivePoint>,
  person: Person,
  now: Date,
): Promise<void> {
  const name = body.name.toLowerCase()
  const quantity = liveQuantity(body.quantity)
  if (!quantity.units.some((u) => u.id === body.unit))
    throw fieldProblem(
      'unit',
      `${quantity.title.toLowerCase()} is sent in ${quantity.units.map((u) => u.id).join(', ')}`,
    )
  const m = (await liveMachines(tx, [body.machineId])).get(body.machineId)
  if (!m) throw fieldProblem('machineId', 'no such machine')
  const [other] = await tx
    .select({ name: livePoints.name })
    .from(livePoints)
    .where(
      and(eq(livePoints.machineId, body.machineId), eq(livePoints.quantity, body.quantity), ne(livePoints.id, body.id)),
    )
  if (other) throw fieldProblem('quantity', `comes from the column "${other.name}" already: remove that one first`)
  const [taken] = await tx
    .select({ id: livePoints.id })
    .from(livePoints)
    .where(and(eq(livePoints.name, name), ne(livePoints.id, body.id)))
  if (taken) throw fieldProblem('name', 'that column belongs to a machine already')
  if (ofDrives.has(body.quantity)) {
    const [link] = await tx.select({ live: vfdLinks.live }).from(vfdLinks).where(eq(vfdLinks.machineId, body.machineId))
    if (link?.live) throw fieldProblem('quantity', 'is read from its drive every minute already')
  }
  const factor = factorOf(quantity, body.unit, m.plate)
  if (factor === null) throw fieldProblem('unit', 'the nameplate does not say what 100 % is: enter it first')
  const seen = (await filesOf(tx)).flatMap((f) => f.unmapped).find((u) => u.name === name)?.seen
  const doubt = seen ? unitDoubt(quantity, body.unit, seen, m.plate) : null
  if (doubt !== null && !body.sure) throw fieldProblem('unit', doubt)
  const { id, machineId, unit } = body
  const [before] = await tx.select().from(livePoints).where(eq(livePoints.id, id))
  const row = { id, name, machineId, quantity: body.quantity, unit, factor, by: person.name, at: now }
  await tx.insert(livePoints).values(row).onConflictDoUpdate({ target: livePoints.id, set: row })
  await record(tx, {
    by: person.name,
    byId: person.id,
    at: now,
    what: 'live data column assigned',
    entity: 'machine',
    entityId: machineId,
    before: before ? { column: before.name, quantity: before.quantity, unit: before.unit } : {},
    after: { column: name, quantity: body.quantity, unit },
  })
}

/** A column belongs to nothing any more; what came of it stays. @throws a problem: no such column */
export async function dropPoint(tx: Tx, id: string, person: Person, now: Date): Promise<void> {
  const [gone] = await tx.delete(livePoints).where(eq(livePoints.id, id)).returning()
  if (!gone) throw notFound('column')
  await record(tx, {
    by: person.name,
    byId: person.id,
    at: now,
    what: 'live data column removed',
    entity: 'machine',
    entityId: gone.machineId,
    before: { column: gone.name, quantity: gone.quantity, unit: gone.unit },
    after: {},
  })
}
