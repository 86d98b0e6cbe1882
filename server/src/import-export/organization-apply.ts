import type { ImportState, OrganizationFile } from '@motor-round/contract'
import { sql } from 'drizzle-orm'
import type { PgTable } from 'drizzle-orm/pg-core'
import type { Db, Tx } from '../db/client.ts'
import {
  roofMaps,
  conditionClosings,
  findings,
  findingSteps,
  jobs,
  jobSteps,
  traces,
  traceSteps,
  pictures,
  mapPictures,
  roundEvents,
  rounds,
  roundVisits,
  digestAddresses,
} from '../db/rounds-schema.ts'
import { stockItems, stockMoves, stockPlaces } from '../db/stock-schema.ts'
import { liveDays, liveOffHours, livePoints } from '../db/live-schema.ts'
import { evidenceOfDays } from '../live/pass.ts'
import { vfdLinks, vfdProfiles, vfdSettings } from '../db/vfd-schema.ts'
import {
  areas,
  audit,
  components,
  machines,
  organization,
  people,
  speedChanges,
  readings,
  sites,
  visits,
  supersessions,
  units,
  work,
} from '../db/schema.ts'

const slice = 1000

async function put<T extends PgTable>(tx: Tx, table: T, rows: T['$inferInsert'][]): Promise<number> {
  let added = 0
  for (let i = 0; i < rows.length; i += slice) {
    const result = await tx
      .insert(table)
      .values(rows.slice(i, i + slice))
      .onConflictDoNothing()
    added += result.rowCount ?? 0
  }
  return added
}

/**
 * Put an organization file into the database: everything whose id is not there yet. What is there stays as it is.
 * @param renames whether a house without a site takes the file’s name and limits; one that has none at all always does
 * @returns the number of readings added and the machines touched
 */
export async function applyOrganization(
  tx: Tx,
  file: OrganizationFile,
  renames: boolean,
): Promise<{ added: number; machines: string[] }> {
  const areaSite = new Map(file.areas.map((a) => [a.id, a.siteId]))
  const unitSite = new Map(file.units.map((u) => [u.id, areaSite.get(u.areaId) ?? '']))
  const machineSite = new Map(file.machines.map((m) => [m.id, unitSite.get(m.unitId) ?? '']))
  const siteOf = (machineId: string) => machineSite.get(machineId) ?? ''
  await putOrganization(tx, file, renames)
  await put(
    tx,
    people,
    file.people.map((p) => ({ ...p, disabledAt: p.disabledAt == null ? null : new Date(p.disabledAt) })),
  )
  await put(tx, sites, file.sites)
  await put(
    tx,
    areas,
    file.areas.map(({ map: _map, mapVersion: _version, ...a }) => a),
  )
  await put(
    tx,
    units,
    file.units.map((u) => ({ ...u, siteId: unitSite.get(u.id) ?? '' })),
  )
  await put(
    tx,
    roofMaps,
    file.areas.flatMap((a) => (a.map ? [{ areaId: a.id, map: a.map, version: a.mapVersion ?? 1 }] : [])),
  )
  await put(
    tx,
    machines,
    file.machines.map((m) => ({
      ...m,
      siteId: siteOf(m.id),
      retiredAt: m.retiredAt === null ? null : new Date(m.retiredAt),
    })),
  )
  await put(
    tx,
    components,
    file.motors.map(({ plate, connectionVolts, ...m }) => ({
      ...m,
      siteId: siteOf(m.machineId),
      slot: 'motor' as const,
      spec: { plate, connectionVolts },
      installedAt: new Date(m.installedAt),
      removedAt: m.removedAt === null ? null : new Date(m.removedAt),
    })),
  )
  await put(
    tx,
    components,
    file.parts.map(({ part, ...p }) => ({
      ...p,
      ...part,
      siteId: siteOf(p.machineId),
      installedAt: new Date(p.installedAt),
      removedAt: p.removedAt === null ? null : new Date(p.removedAt),
    })),
  )
  await put(
    tx,
    speedChanges,
    file.speedChanges.map((p) => ({
      ...p,
      siteId: siteOf(p.machineId),
      madeAt: new Date(p.madeAt),
      doneAt: p.doneAt === null ? null : new Date(p.doneAt),
      droppedAt: p.droppedAt === null ? null : new Date(p.droppedAt),
    })),
  )
  await put(
    tx,
    vfdProfiles,
    file.vfdProfiles.map((p) => ({ id: p.profile.id, profile: p.profile, by: p.by, at: new Date(p.at) })),
  )
  await put(
    tx,
    vfdLinks,
    file.vfdLinks.map((l) => ({ ...l, at: new Date(l.at) })),
  )
  await put(
    tx,
    vfdSettings,
    file.vfdSettings.map((v) => ({ ...v, siteId: siteOf(v.machineId), takenAt: new Date(v.takenAt) })),
  )
  await put(
    tx,
    livePoints,
    file.livePoints.map((l) => ({ ...l, at: new Date(l.at) })),
  )
  await put(
    tx,
    liveOffHours,
    file.liveOffHours.map((o) => ({ ...o, at: new Date(o.at) })),
  )
  await put(
    tx,
    liveDays,
    file.liveDays.map(({ machineId, summary }) => ({ machineId, day: summary.day, summary })),
  )
  await evidenceOfDays(
    tx,
    [...new Set(file.liveDays.map((d) => d.machineId))],
    new Map(file.liveBeside.map((b) => [b.machineId, b.beside])),
  )
  await put(
    tx,
    work,
    file.work.map((w) => ({ ...w, siteId: siteOf(w.machineId), doneAt: new Date(w.doneAt) })),
  )
  await put(
    tx,
    visits,
    file.visits.map(({ readings: _readings, takenAt, recordedAt, ...s }) => ({
      ...s,
      siteId: siteOf(s.machineId),
      takenAt: new Date(takenAt),
      recordedAt: new Date(recordedAt),
      source: s.source ?? ('file' as const),
    })),
  )
  const added = await put(
    tx,
    readings,
    file.visits.flatMap((s) =>
      s.readings.map((r) => ({
        ...r,
        siteId: siteOf(s.machineId),
        machineId: s.machineId,
        takenAt: new Date(s.takenAt),
        visitId: s.id,
      })),
    ),
  )
  await put(
    tx,
    supersessions,
    file.visits.flatMap((s) =>
      s.supersedes === null ? [] : [{ oldVisitId: s.supersedes, newVisitId: s.id, machineId: s.machineId }],
    ),
  )
  await applyRounds(tx, file, siteOf)
  return { added, machines: file.machines.map((m) => m.id) }
}

/** Name and limits, where nothing stands under them yet: a house without a site has none of its own. */
async function putOrganization(tx: Tx, file: OrganizationFile, renames: boolean): Promise<void> {
  const set = {
    name: file.name,
    policies: file.policies,
    policiesVersion: file.policiesVersion ?? 1,
    policiesBy: file.policiesBy ?? null,
    policiesAt: file.policiesAt == null ? null : new Date(file.policiesAt),
  }
  const [site] = await tx.select({ id: sites.id }).from(sites).limit(1)
  await tx
    .insert(organization)
    .values({ id: 1, ...set })
    .onConflictDoUpdate({ target: organization.id, set: site || !renames ? { id: 1 } : set })
}

/** Rounds with their visits and what happened on them, and the pictures. */
async function applyRounds(tx: Tx, file: OrganizationFile, siteOf: (machineId: string) => string): Promise<void> {
  await put(
    tx,
    rounds,
    file.rounds.map(({ visits: _visits, ...r }) => ({ ...r, madeAt: new Date(r.madeAt) })),
  )
  await put(
    tx,
    roundVisits,
    file.rounds.flatMap((r) => r.visits.map((s) => ({ ...s, roundId: r.id }))),
  )
  await put(
    tx,
    roundEvents,
    file.roundEvents.map((e) => ({ ...e, at: new Date(e.at), recordedAt: new Date(file.exportedAt) })),
  )
  await put(
    tx,
    findings,
    file.findings.map((f) => ({ ...f, siteId: siteOf(f.machineId), at: new Date(f.at) })),
  )
  await put(
    tx,
    findingSteps,
    file.findingSteps.map((s) => ({ ...s, at: new Date(s.at) })),
  )
  await put(
    tx,
    conditionClosings,
    file.conditionClosings.map((c) => ({ ...c, siteId: siteOf(c.machineId), at: new Date(c.at) })),
  )
  await put(
    tx,
    traces,
    file.traces.map((t) => ({ ...t, siteId: siteOf(t.machineId), at: new Date(t.at) })),
  )
  await put(
    tx,
    traceSteps,
    file.traceSteps.map(({ id, traceId, machineId, at, by, ...said }) => ({
      id,
      traceId,
      machineId,
      at: new Date(at),
      by,
      said,
    })),
  )
  await put(
    tx,
    jobs,
    file.jobs.map((j) => ({ ...j, siteId: siteOf(j.machineId), at: new Date(j.at) })),
  )
  await put(
    tx,
    jobSteps,
    file.jobSteps.map(({ id, jobId, machineId, at, by, ...said }) => ({
      id,
      jobId,
      machineId,
      at: new Date(at),
      by,
      said,
    })),
  )
  await put(tx, stockPlaces, file.stockPlaces)
  await put(tx, stockItems, file.stockItems)
  await put(
    tx,
    stockMoves,
    file.stockMoves.map((m) => ({ ...m, at: new Date(m.at) })),
  )
  await put(
    tx,
    mapPictures,
    file.mapPictures.map((p) => ({ ...p, bytes: Buffer.from(p.bytes, 'base64') })),
  )
  await put(
    tx,
    pictures,
    file.pictures.map((p) => ({
      ...p,
      siteId: siteOf(p.machineId),
      takenAt: new Date(p.takenAt),
      bytes: Buffer.from(p.bytes, 'base64'),
    })),
  )
  await put(
    tx,
    digestAddresses,
    (file.digestAddresses ?? []).map((a) => ({ ...a, addedAt: new Date(a.addedAt) })),
  )
  await put(
    tx,
    audit,
    (file.audit ?? []).map((a) => ({ ...a, at: new Date(a.at) })),
  )
}

/** What putting the file in would add. */
export async function compareOrganization(
  db: Db,
  file: OrganizationFile,
): Promise<Pick<ImportState, 'rows' | 'added' | 'already' | 'machines' | 'sites'>> {
  const ids = sql.param(file.visits.map((s) => s.id))
  const known = await db.execute<{ id: string }>(sql`select id from visits where id = any(${ids}::uuid[])`)
  const there = new Set(known.rows.map((r) => r.id))
  const rows = file.visits.reduce((n, s) => n + s.readings.length, 0)
  const already = file.visits.reduce((n, s) => n + (there.has(s.id) ? s.readings.length : 0), 0)
  return { rows, added: rows - already, already, machines: file.machines.length, sites: file.sites.length }
}
