import {
  controls,
  driveLayout,
  partIn,
  type FileVisit,
  type Machine,
  type Motor,
  type PartRecord,
  type TwinLoad,
  type VisitRecord,
  type WorkRecord,
} from '@motor-round/contract'
import type { Reading } from '@motor-round/core/quantity'
import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import { inTurn, sent, type Db, type Tx } from '../db/client.ts'
import { anyOf, prepared, preparedSql } from '../db/prepared.ts'
import { components, machines, machineStates, machineVersions, sites, work, type MotorSpec } from '../db/schema.ts'
import { loadClosings } from '../conditions/load.ts'
import { liveStates } from '../db/live-schema.ts'
import { loadFindings } from '../findings/load.ts'
import { loadJobs } from '../jobs/load.ts'
import { loadTraces } from '../traces/load.ts'
import type { MachineSnapshot } from './machine-snapshot.ts'
import { heldSnapshot, interned, knownVisits, withTwins } from './interned.ts'

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
 * Visits with their readings, newest first. A machine read every hour has thousands: the latest are taken whole, before them the
 * first of each week, and every one that a person took or that read more than volts and amps: what was found there stands until
 * it is answered, however long ago it was. So a trend spans its baseline and judging costs about the same however much is read.
 */
async function visitsOf(db: Db | Tx, ids: readonly string[]): Promise<VisitRow[]> {
  const { rows } = await preparedSql<VisitRow>(
    db,
    'past_of',
    () => sql`
    select p.* from ${machines} m cross join lateral machine_past(m.site_id, m.id, ${sql.raw(String(latest))}) p
    where m.id = any(${sql.placeholder('ids')}::uuid[])`,
  ).execute({ ids })
  return rows
}

/** One visit, also where a long past leaves it out of what is loaded of its machine. */
export async function loadVisit(db: Db | Tx, id: string): Promise<VisitRecord | null> {
  const { rows } = await db.execute<VisitRow>(sql`
    select s.*, 1 as of_all, x.new_visit_id as superseded_by, (
      select array_agg(r.quantity || ' ' || r.position || ' ' || r.value || coalesce(' ' || r.how || coalesce(' ' || r.spread, ''), '') order by r.quantity, r.position)
      from readings r
      where r.site_id = s.site_id and r.machine_id = s.machine_id and r.taken_at = s.taken_at and r.visit_id = s.id
    ) as readings
    from visits s left join supersessions x on x.old_visit_id = s.id where s.id = ${id}`)
  const [row] = rows
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
  const rows = await twinsWithLoads(db).execute({ ids: [...new Set(twins.map((m) => m.unitId))] })
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

const twinsWithLoads = (db: Db | Tx) =>
  prepared(db, 'twins_with_loads', () =>
    db
      .select({
        id: machines.id,
        unitId: machines.unitId,
        tag: machines.tag,
        load: machineStates.load,
        at: machineStates.loadAt,
        hz: sql<number | null>`w.hz`,
        state: sql<VisitRecord['state'] | null>`w.state`,
      })
      .from(machines)
      .innerJoin(machineStates, eq(machineStates.machineId, machines.id))
      .leftJoin(sql`lateral read_with(${machines.siteId}, ${machines.id}, ${machineStates.loadAt}) w`, sql`true`)
      .where(and(anyOf(machines.unitId), eq(machines.hasTwin, true), isNull(machines.retiredAt)))
      .orderBy(asc(machines.tag))
      .prepare('twins_with_loads'),
  )

const machinesWithSites = (db: Db | Tx, ids: string[]) =>
  prepared(db, 'machines_with_sites', () =>
    db
      .select({ machine: machines, site: { hertz: sites.hertz, zone: sites.zone, units: sites.units } })
      .from(machines)
      .innerJoin(sites, eq(sites.id, machines.siteId))
      .where(anyOf(machines.id))
      .prepare('machines_with_sites'),
  ).execute({ ids })

const componentsOf = (db: Db | Tx, ids: string[]) =>
  prepared(db, 'components_of', () =>
    db
      .select()
      .from(components)
      .where(anyOf(components.machineId))
      .orderBy(asc(components.installedAt), asc(components.id))
      .prepare('components_of'),
  ).execute({ ids })

const workOf = (db: Db | Tx, ids: string[]) =>
  prepared(db, 'work_of', () =>
    db.select().from(work).where(anyOf(work.machineId)).orderBy(asc(work.doneAt)).prepare('work_of'),
  ).execute({ ids })

const liveOf = (db: Db | Tx, ids: string[]) =>
  prepared(db, 'live_of', () =>
    db.select().from(liveStates).where(anyOf(liveStates.machineId)).prepare('live_of'),
  ).execute({ ids })

type Version = typeof machineVersions.$inferSelect

/** The versions of some machines; one that was never written to has none. */
async function versionsOf(db: Db | Tx, ids: readonly string[]): Promise<Map<string, Version>> {
  const statement = prepared(db, 'machine_versions_of', () =>
    db.select().from(machineVersions).where(anyOf(machineVersions.machineId)).prepare('machine_versions_of'),
  )
  const rows = await statement.execute({ ids: [...ids] })
  return new Map(rows.map((r) => [r.machineId, r]))
}

/**
 * Load machines with everything that judging needs. One whose version is that of what was loaded before is not read again, but
 * for its twins, which have versions of their own. Keep the list to some hundred at a time.
 */
export async function loadSnapshots(db: Db | Tx, machineIds: readonly string[]): Promise<MachineSnapshot[]> {
  if (machineIds.length === 0) return []
  // First of all: what is kept in the meantime is then loaded under a version that is past.
  const versions = await versionsOf(db, machineIds)
  const held = new Map(
    machineIds.flatMap((id) => {
      const version = versions.get(id)?.version
      const snapshot = version === undefined ? undefined : heldSnapshot(id, version)
      return snapshot ? [[id, snapshot]] : []
    }),
  )
  const missing = machineIds.filter((id) => !held.has(id))
  const loaded = await readSnapshots(db, missing, versions)
  if (held.size === 0) return loaded
  const twins = await twinsOf(
    db,
    [...held.values()].map((s) => s.machine),
  )
  const again = [...held.values()].map((s) => withTwins(s, twins.get(s.machine.id) ?? []))
  return [...again, ...loaded]
}

async function readSnapshots(
  db: Db | Tx,
  machineIds: readonly string[],
  versions: ReadonlyMap<string, Version>,
): Promise<MachineSnapshot[]> {
  if (machineIds.length === 0) return []
  const ids = [...machineIds]
  // One way to the database and back where it is asked in a transaction.
  const [own, installed, worked, rows, closed, found, lived, traced, jobbed] = await inTurn([
    sent(machinesWithSites(db, ids)),
    sent(componentsOf(db, ids)),
    sent(workOf(db, ids)),
    visitsOf(db, ids),
    loadClosings(db, ids),
    loadFindings(db, ids),
    sent(liveOf(db, ids)),
    loadTraces(db, ids),
    loadJobs(db, ids),
  ])
  const list = own.map((r) => asMachine(r.machine))
  const inSlot = (motor: boolean) => installed.filter((c) => (c.slot === 'motor') === motor)
  const motors = grouped(inSlot(true), (c) => c.machineId, asMotor)
  const parts = grouped(inSlot(false), (c) => c.machineId, asPart)
  const done = grouped(worked, (w) => w.machineId, asWork)
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
    closed,
    (c) => c.machineId,
    (c) => c,
  )
  const findings = grouped(
    found,
    (f) => f.machineId,
    (f) => f,
  )
  const traces = grouped(
    traced,
    (t) => t.machineId,
    (t) => t,
  )
  const jobs = grouped(
    jobbed,
    (j) => j.machineId,
    (j) => j,
  )
  const live = new Map(lived.map((l) => [l.machineId, l.evidence]))
  const place = new Map(own.map((r) => [r.machine.siteId, r.site]))
  const counts = new Map(rows.map((r) => [r.machine_id, Number(r.of_all)]))
  return list.map((machine) =>
    interned(versions.get(machine.id)?.version, {
      machine,
      motors: motors.get(machine.id) ?? [],
      parts: parts.get(machine.id) ?? [],
      work: done.get(machine.id) ?? [],
      visits: visits.get(machine.id) ?? [],
      allVisits: counts.get(machine.id) ?? 0,
      twins: twins.get(machine.id) ?? [],
      closings: closings.get(machine.id) ?? [],
      findings: findings.get(machine.id) ?? [],
      traces: traces.get(machine.id) ?? [],
      jobs: jobs.get(machine.id) ?? [],
      live: live.get(machine.id) ?? null,
      turnedAt: versions.get(machine.id)?.turnedAt?.toISOString() ?? null,
      site: place.get(machine.siteId) ?? { hertz: null, zone: 'UTC', units: 'us' },
    }),
  )
}
