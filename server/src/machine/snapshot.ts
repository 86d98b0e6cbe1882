import {
  controls,
  driveLayout,
  partIn,
  type ClosingRecord,
  type FileVisit,
  type FindingRecord,
  type Machine,
  type Motor,
  type PartRecord,
  type TwinLoad,
  type VisitRecord,
  type WorkRecord,
} from '@motor-round/contract'
import type { Reading } from '@motor-round/core/quantity'
import { and, asc, eq, inArray, isNull, sql, type SQL } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { components, machines, machineStates, sites, work, type MotorSpec } from '../db/schema.ts'
import { loadClosings } from '../conditions/load.ts'
import { loadFindings } from '../findings/load.ts'
import { interned, knownVisits } from './interned.ts'

/** All that is known of a machine and needed to judge it. */
export interface MachineSnapshot {
  readonly machine: Machine
  readonly motors: readonly Motor[]
  readonly parts: readonly PartRecord[]
  readonly work: readonly WorkRecord[]
  /** Newest first: the latest ones, and of older ones the first of each week. */
  readonly visits: readonly VisitRecord[]
  readonly allVisits: number
  readonly twins: readonly TwinLoad[]
  readonly closings: readonly ClosingRecord[]
  readonly findings: readonly FindingRecord[]
  readonly site: {
    readonly hertz: 50 | 60 | null
    readonly zone: string
    readonly units: 'us' | 'metric'
  }
  /** Loaded where one machine is looked at: many are judged without, for it raises no level. */
  readonly peers?: readonly TwinLoad[]
}

export const iso = (v: Date | string): string => (v instanceof Date ? v : new Date(v)).toISOString()

export const asMachine = (m: typeof machines.$inferSelect): Machine => ({
  ...m,
  controls: controls.parse(m.controls),
  layout: driveLayout.parse(m.layout),
  retiredAt: m.retiredAt?.toISOString() ?? null,
})

const fitting = (c: typeof components.$inferSelect) => ({
  id: c.id,
  machineId: c.machineId,
  installedAt: c.installedAt.toISOString(),
  installedBy: c.installedBy,
  why: c.why,
  substitute: c.substitute,
  removedAt: c.removedAt?.toISOString() ?? null,
  removedFor: c.removedFor,
  removedWhy: c.removedWhy,
  version: c.version,
})

export const asMotor = (c: typeof components.$inferSelect): Motor => {
  // The slot says which spec a row holds.
  const { plate, connectionVolts } = c.spec as MotorSpec
  return { ...fitting(c), plate, connectionVolts }
}

export const asPart = (c: typeof components.$inferSelect): PartRecord => ({
  ...fitting(c),
  part: partIn.parse({ slot: c.slot, spec: c.spec }),
})

export const asWork = (w: typeof work.$inferSelect): WorkRecord => ({
  id: w.id,
  machineId: w.machineId,
  doneAt: w.doneAt.toISOString(),
  kind: w.kind,
  note: w.note,
  ...(w.turns ? { turns: w.turns } : {}),
  by: w.by,
})

interface VisitRow extends Record<string, unknown> {
  id: string
  machine_id: string
  taken_at: string
  recorded_at: string
  by: string
  state: FileVisit['state']
  answers: VisitRecord['answers']
  passes: VisitRecord['passes']
  note: string
  supersedes: string | null
  reason: string
  source: VisitRecord['source']
  superseded_by: string | null
  of_all: string
  /** `quantity position value how spread` each, the last two only where they are known; null without any. */
  readings: string[] | null
}

const latest = 60

/**
 * Visits with their readings. A machine read every hour has thousands: the latest are taken whole, before them the
 * first of each week, and every one that a person took or that read more than volts and amps: what was found there stands until
 * it is answered, however long ago it was. So a trend spans its baseline and judging costs about the same however much is read.
 */
async function visitsOf(db: Db | Tx, list: readonly Machine[]): Promise<VisitRow[]> {
  const siteIds = sql.param(list.map((m) => m.siteId))
  const ids = sql.param(list.map((m) => m.id))
  const chosen = sql`
    select x.* from unnest(${siteIds}::uuid[], ${ids}::uuid[]) as m(site_id, machine_id)
    cross join lateral (
      select s.*,
        row_number() over (order by s.taken_at desc, s.id desc) as n,
        row_number() over (partition by date_trunc('week', s.taken_at) order by s.taken_at, s.id) as of_week,
        count(*) over () as of_all
      from visits s where s.site_id = m.site_id and s.machine_id = m.machine_id
    ) x
    where x.n <= ${latest} or x.of_week = 1 or x.answers <> '{}' or x.source <> 'import' or exists (
      select 1 from readings r
      where r.site_id = x.site_id and r.machine_id = x.machine_id and r.taken_at = x.taken_at and r.visit_id = x.id
        and r.quantity not in ('amps', 'volts_ll', 'volts_ln', 'hz'))`
  return readVisits(db, chosen)
}

/** Chosen visits with their readings and what replaced them, newest first. */
async function readVisits(db: Db | Tx, chosen: SQL): Promise<VisitRow[]> {
  const result = await db.execute<VisitRow>(sql`
    with chosen as materialized (${chosen})
    select c.id, c.machine_id, c.taken_at, c.recorded_at, c.by, c.state, c.answers, c.passes, c.note, c.supersedes, c.reason, c.source, c.of_all,
      x.new_visit_id as superseded_by, r.readings
    from chosen c
    left join supersessions x on x.old_visit_id = c.id
    cross join lateral (
      select array_agg(r.quantity || ' ' || r.position || ' ' || r.value || coalesce(' ' || r.how || coalesce(' ' || r.spread, ''), '') order by r.quantity, r.position) as readings
      from readings r
      where r.site_id = c.site_id and r.machine_id = c.machine_id and r.taken_at = c.taken_at and r.visit_id = c.id
    ) r
    order by c.taken_at desc, c.id desc`)
  return result.rows
}

/** One visit, also where a long past leaves it out of what is loaded of its machine. */
export async function loadVisit(db: Db | Tx, id: string): Promise<VisitRecord | null> {
  const [row] = await readVisits(db, sql`select s.*, 1 as of_all from visits s where s.id = ${id}`)
  return row ? asVisit(row) : null
}

/** Neither quantities nor positions hold a space. */
function readingOf(text: string): Reading {
  const [quantity = '', position = '', value = '', how, spread] = text.split(' ')
  return {
    quantity: quantity as Reading['quantity'],
    position,
    value: Number(value),
    ...(how === undefined ? {} : { how: how as NonNullable<Reading['how']> }),
    ...(spread === undefined ? {} : { spread: Number(spread) }),
  }
}

function asVisit(r: VisitRow): VisitRecord {
  const visit = readVisit(r)
  rowOf.set(visit, textOfRow(r))
  return visit
}

const readVisit = (r: VisitRow): VisitRecord => ({
  id: r.id,
  machineId: r.machine_id,
  takenAt: iso(r.taken_at),
  recordedAt: iso(r.recorded_at),
  by: r.by,
  state: r.state,
  answers: r.answers,
  passes: r.passes,
  readings: (r.readings ?? []).map(readingOf),
  note: r.note,
  supersedes: r.supersedes,
  reason: r.reason,
  supersededBy: r.superseded_by,
  source: r.source,
})

const rowOf = new WeakMap<VisitRecord, string>()

/**
 * Is a row what a record was read from? A visit is never changed, but what a transaction took back may come again with the same
 * id: its texts are compared as the database gives them.
 */
function sameRow(known: VisitRecord, row: VisitRow): boolean {
  return rowOf.get(known) === textOfRow(row)
}
const textOfRow = (r: VisitRow): string =>
  JSON.stringify([r.recorded_at, r.superseded_by, r.state, r.answers, r.passes, r.note, r.readings])

function grouped<T, R>(rows: readonly T[], key: (row: T) => string, as: (row: T) => R): Map<string, R[]> {
  const out = new Map<string, R[]>()
  for (const row of rows) {
    const list = out.get(key(row))
    if (list) list.push(as(row))
    else out.set(key(row), [as(row)])
  }
  return out
}

/** The loads of the other fans of each machine's unit, where it has a twin. */
async function twinsOf(db: Db | Tx, list: readonly Machine[]): Promise<Map<string, TwinLoad[]>> {
  const twins = list.filter((m) => m.hasTwin)
  if (twins.length === 0) return new Map()
  const rows = await db
    .select({
      id: machines.id,
      unitId: machines.unitId,
      tag: machines.tag,
      load: machineStates.load,
      at: machineStates.loadAt,
      hz: sql<
        number | null
      >`(select r.value from readings r where r.machine_id = ${machines.id} and r.taken_at = ${machineStates.loadAt} and r.quantity = 'hz' limit 1)`,
      state: sql<
        VisitRecord['state'] | null
      >`(select s.state from visits s where s.machine_id = ${machines.id} and s.taken_at = ${machineStates.loadAt} limit 1)`,
    })
    .from(machines)
    .innerJoin(machineStates, eq(machineStates.machineId, machines.id))
    .where(
      and(
        inArray(
          machines.unitId,
          twins.map((m) => m.unitId),
        ),
        eq(machines.hasTwin, true),
        isNull(machines.retiredAt),
      ),
    )
    .orderBy(asc(machines.tag))
  return new Map(
    twins.map((m) => [
      m.id,
      rows.flatMap((r) =>
        r.unitId === m.unitId && r.id !== m.id && r.load !== null && r.at !== null
          ? [{ tag: r.tag, load: r.load, at: r.at.toISOString(), hz: r.hz, state: r.state }]
          : [],
      ),
    ]),
  )
}

/** Load machines with everything that judging needs. Keep the list to some hundred at a time. */
export async function loadSnapshots(db: Db | Tx, machineIds: readonly string[]): Promise<MachineSnapshot[]> {
  if (machineIds.length === 0) return []
  const ids = [...machineIds]
  const list = (await db.select().from(machines).where(inArray(machines.id, ids))).map(asMachine)
  const installed = await db
    .select()
    .from(components)
    .where(inArray(components.machineId, ids))
    .orderBy(asc(components.installedAt), asc(components.id))
  const inSlot = (motor: boolean) => installed.filter((c) => (c.slot === 'motor') === motor)
  const motors = grouped(inSlot(true), (c) => c.machineId, asMotor)
  const parts = grouped(inSlot(false), (c) => c.machineId, asPart)
  const done = grouped(
    await db.select().from(work).where(inArray(work.machineId, ids)).orderBy(asc(work.doneAt)),
    (w) => w.machineId,
    asWork,
  )
  const rows = await visitsOf(db, list)
  const before = new Map(ids.map((id) => [id, knownVisits(id)]))
  const visits = grouped(
    rows,
    (s) => s.machine_id,
    (row) => {
      const known = before.get(row.machine_id)?.get(row.id)
      return known && sameRow(known, row) ? known : asVisit(row)
    },
  )
  const twins = await twinsOf(db, list)
  const closings = grouped(
    await loadClosings(db, ids),
    (c) => c.machineId,
    (c) => c,
  )
  const findings = grouped(
    await loadFindings(db, ids),
    (f) => f.machineId,
    (f) => f,
  )
  const place = new Map(
    (
      await db
        .select({ id: sites.id, hertz: sites.hertz, zone: sites.zone, units: sites.units })
        .from(sites)
        .where(inArray(sites.id, [...new Set(list.map((m) => m.siteId))]))
    ).map(({ id, ...site }) => [id, site]),
  )
  const counts = new Map(rows.map((r) => [r.machine_id, Number(r.of_all)]))
  return list.map((machine) =>
    interned({
      machine,
      motors: motors.get(machine.id) ?? [],
      parts: parts.get(machine.id) ?? [],
      work: done.get(machine.id) ?? [],
      visits: visits.get(machine.id) ?? [],
      allVisits: counts.get(machine.id) ?? 0,
      twins: twins.get(machine.id) ?? [],
      closings: closings.get(machine.id) ?? [],
      findings: findings.get(machine.id) ?? [],
      site: place.get(machine.siteId) ?? { hertz: null, zone: 'UTC', units: 'us' },
    }),
  )
}
