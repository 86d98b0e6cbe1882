import { care, dueTask, type RoundEvent, type RoundPage, type RoundVisit } from '@motor-round/contract'
import { roundCount } from '@motor-round/core/round'
import { asc, desc, eq, gt, inArray, and, isNull, isNotNull } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { roundDevices, roundEvents, rounds, roundVisits } from '../db/rounds-schema.ts'
import { areas, machines, machineStates, sites, units } from '../db/schema.ts'
import { loadFindings } from '../findings/load.ts'
import { notFound } from '../http/problem.ts'
import { mapOfArea } from '../register/roof-map.ts'

export type RoundRow = typeof rounds.$inferSelect

export const asEvent = (e: typeof roundEvents.$inferSelect): RoundEvent => ({
  id: e.id,
  roundId: e.roundId,
  machineId: e.machineId,
  kind: e.kind,
  at: e.at.toISOString(),
  visitId: e.visitId,
  place: e.place,
  note: e.note,
  by: e.by,
  recordedAt: e.recordedAt.toISOString(),
})

function headOf(r: RoundRow, machineIds: readonly string[], events: readonly RoundEvent[]): RoundPage['head'] {
  return {
    id: r.id,
    name: r.name,
    day: r.day,
    siteIds: r.siteIds,
    state: r.closing === null ? 'planned' : 'closed',
    people: r.people,
    recurs: r.recurs,
    ...roundCount(machineIds, events),
    madeBy: r.madeBy,
    version: r.version,
  }
}

async function eventsOf(db: Db | Tx, roundIds: readonly string[]): Promise<RoundEvent[]> {
  if (roundIds.length === 0) return []
  const rows = await db
    .select()
    .from(roundEvents)
    .where(inArray(roundEvents.roundId, [...roundIds]))
    .orderBy(asc(roundEvents.at), asc(roundEvents.id))
  return rows.map(asEvent)
}

/** Rounds that are open, the next day first, then the latest that are closed. */
export async function roundList(db: Db): Promise<RoundPage['head'][]> {
  const open = await db
    .select()
    .from(rounds)
    .where(isNull(rounds.closing))
    .orderBy(asc(rounds.day), asc(rounds.id))
    .limit(200)
  const closed = await db
    .select()
    .from(rounds)
    .where(isNotNull(rounds.closing))
    .orderBy(desc(rounds.day), desc(rounds.id))
    .limit(100)
  const all = [...open, ...closed]
  const ids = all.map((r) => r.id)
  const visits = ids.length === 0 ? [] : await db.select().from(roundVisits).where(inArray(roundVisits.roundId, ids))
  const events = await eventsOf(db, ids)
  return all.map((r) =>
    headOf(
      r,
      visits.filter((s) => s.roundId === r.id).map((s) => s.machineId),
      events.filter((e) => e.roundId === r.id),
    ),
  )
}

/** The visits of a round with where they are and how their machines stand. */
export async function visitsOfRound(db: Db | Tx, roundId: string): Promise<RoundVisit[]> {
  const rows = await db
    .select({
      visit: roundVisits,
      machine: machines,
      unit: units,
      area: areas,
      siteName: sites.name,
      state: machineStates,
    })
    .from(roundVisits)
    .innerJoin(machines, eq(machines.id, roundVisits.machineId))
    .innerJoin(units, eq(units.id, machines.unitId))
    .innerJoin(areas, eq(areas.id, units.areaId))
    .innerJoin(sites, eq(sites.id, machines.siteId))
    .leftJoin(machineStates, eq(machineStates.machineId, machines.id))
    .where(eq(roundVisits.roundId, roundId))
    .orderBy(asc(machineStates.sortKey), asc(machines.id))
  return rows.map(({ visit, machine, unit, area, siteName, state }) => ({
    machineId: machine.id,
    unitId: unit.id,
    areaId: area.id,
    siteId: machine.siteId,
    unitTag: unit.tag,
    tag: machine.tag,
    purpose: machine.purpose,
    areaName: area.name,
    siteName,
    care: care.parse(unit.care),
    levelBefore: visit.levelBefore,
    level: state?.level ?? null,
    headline: state?.headline ?? '',
    conditions: state?.conditions ?? [],
    dueAt: state?.dueAt?.toISOString() ?? null,
    tasks: visit.tasks.map((t) => dueTask.parse(t)),
    minutes: visit.minutes,
    learnt: visit.learnt,
    added: visit.added,
  }))
}

/** Areas with their plans, for walking over. */
export async function areasOf(db: Db | Tx, areaIds: readonly string[]): Promise<RoundPage['areas']> {
  if (areaIds.length === 0) return []
  const rows = await db
    .select({ id: areas.id, name: areas.name, siteId: areas.siteId, kind: areas.kind })
    .from(areas)
    .where(inArray(areas.id, [...new Set(areaIds)]))
    .orderBy(asc(areas.name))
  const out: RoundPage['areas'] = []
  for (const a of rows) out.push({ ...a, map: (await mapOfArea(db, a.id)).map })
  return out
}

export async function roundRow(db: Db | Tx, id: string): Promise<RoundRow> {
  const [row] = await db.select().from(rounds).where(eq(rounds.id, id))
  if (!row) throw notFound('round')
  return row
}

export async function lockRound(tx: Tx, id: string): Promise<RoundRow> {
  const [row] = await tx.select().from(rounds).where(eq(rounds.id, id)).for('no key update')
  if (!row) throw notFound('round')
  return row
}

/** A round with everything its pages show. */
export async function pageOfRound(db: Db | Tx, id: string): Promise<RoundPage> {
  const row = await roundRow(db, id)
  const visits = (await visitsOfRound(db, id)).map((s) => {
    // A closed round stays as it was closed, whatever became of its machines since.
    const stood = row.closing?.stood?.find((x) => x.machineId === s.machineId)
    return stood ? { ...s, ...stood } : s
  })
  const events = await eventsOf(db, [id])
  const away = await db
    .select()
    .from(roundDevices)
    .where(and(eq(roundDevices.roundId, id), gt(roundDevices.holds, 0)))
    .orderBy(asc(roundDevices.since))
  return {
    head: headOf(
      row,
      visits.map((s) => s.machineId),
      events,
    ),
    note: row.note,
    heat: row.heat,
    storm: row.storm,
    visits,
    route: row.route,
    events,
    areas: await areasOf(
      db,
      visits.map((s) => s.areaId),
    ),
    away: away.map((d) => ({ device: d.device, by: d.by, since: d.since.toISOString() })),
    findings: (
      await loadFindings(
        db,
        visits.map((s) => s.machineId),
      )
    ).filter((f) => f.state !== 'closed' || f.roundId === id),
    closing: row.closing,
  }
}
