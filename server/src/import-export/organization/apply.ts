import type { Tx } from '../../db/client.ts'
import {
  conditionClosings,
  digestAddresses,
  findings,
  findingSteps,
  jobs,
  jobSteps,
  mapPictures,
  pictures,
  roundEvents,
  rounds,
  roundVisits,
  traces,
  traceSteps,
} from '../../db/rounds-schema.ts'
import { audit, organization, people, readings, sites, supersessions, visits, work } from '../../db/schema.ts'
import { stockItems, stockMoves, stockPlaces } from '../../db/stock-schema.ts'
import { putInstalled, putLive, putPlaces } from './apply-register.ts'
import type { OrganizationHead } from './lists.ts'
import { put, Putter, when, type SiteOf } from './putter.ts'
import type { OrganizationSource } from './source.ts'

/**
 * Put an organization file into the database: everything whose id is not there yet. What is there stays as it is. Lists come some
 * records at a time: a file may be larger than what one has room for.
 * @param renames whether a house without a site takes the file’s name and limits; one that has none at all always does
 * @returns the number of readings added and the machines touched
 */
export async function applyOrganization(
  tx: Tx,
  source: OrganizationSource,
  renames: boolean,
): Promise<{ added: number; machines: string[] }> {
  const to = new Putter(tx, source)
  await putOrganization(tx, source.head, renames)
  await to.each('people', people, (p) => ({ ...p, disabledAt: when(p.disabledAt) }))
  const { siteOf, ids } = await putPlaces(tx, to)
  await putInstalled(to, siteOf)
  await putLive(tx, to)
  await to.each('work', work, (w) => ({ ...w, siteId: siteOf(w.machineId), doneAt: new Date(w.doneAt) }))
  const added = await putVisits(tx, to, siteOf)
  await putRounds(tx, to, source.head, siteOf)
  await putJobs(to, siteOf)
  await to.each('digestAddresses', digestAddresses, (a) => ({ ...a, addedAt: new Date(a.addedAt) }))
  await to.each('audit', audit, (a) => ({ ...a, at: new Date(a.at) }))
  return { added, machines: ids }
}

/** Name and limits, where nothing stands under them yet: a house without a site has none of its own. */
async function putOrganization(tx: Tx, head: OrganizationHead, renames: boolean): Promise<void> {
  const set = {
    name: head.name,
    policies: head.policies,
    policiesVersion: head.policiesVersion ?? 1,
    policiesBy: head.policiesBy ?? null,
    policiesAt: when(head.policiesAt),
  }
  const [site] = await tx.select({ id: sites.id }).from(sites).limit(1)
  await tx
    .insert(organization)
    .values({ id: 1, ...set })
    .onConflictDoUpdate({ target: organization.id, set: site || !renames ? { id: 1 } : set })
}

/** @returns the number of readings added */
async function putVisits(tx: Tx, to: Putter, siteOf: SiteOf): Promise<number> {
  let added = 0
  const corrections: (typeof supersessions.$inferInsert)[] = []
  await to.all('visits', async (items) => {
    await put(
      tx,
      visits,
      items.map(({ readings: _readings, takenAt, recordedAt, ...s }) => ({
        ...s,
        siteId: siteOf(s.machineId),
        takenAt: new Date(takenAt),
        recordedAt: new Date(recordedAt),
        source: s.source ?? ('file' as const),
      })),
    )
    added += await put(
      tx,
      readings,
      items.flatMap((s) =>
        s.readings.map((r) => ({
          ...r,
          siteId: siteOf(s.machineId),
          machineId: s.machineId,
          takenAt: new Date(s.takenAt),
          visitId: s.id,
        })),
      ),
    )
    for (const { id, supersedes, machineId } of items)
      if (supersedes !== null) corrections.push({ oldVisitId: supersedes, newVisitId: id, machineId })
  })
  // Both visits are there by now, in whatever order they came.
  await put(tx, supersessions, corrections)
  return added
}

/** Rounds with their visits and what happened on them, findings and pictures. */
async function putRounds(tx: Tx, to: Putter, head: OrganizationHead, siteOf: SiteOf): Promise<void> {
  const recordedAt = new Date(head.exportedAt)
  await to.all('rounds', async (items) => {
    await put(
      tx,
      rounds,
      items.map(({ visits: _visits, ...r }) => ({ ...r, madeAt: new Date(r.madeAt) })),
    )
    await put(
      tx,
      roundVisits,
      items.flatMap((r) => r.visits.map((s) => ({ ...s, roundId: r.id }))),
    )
  })
  await to.each('roundEvents', roundEvents, (e) => ({ ...e, at: new Date(e.at), recordedAt }))
  await to.each('findings', findings, (f) => ({ ...f, siteId: siteOf(f.machineId), at: new Date(f.at) }))
  await to.each('findingSteps', findingSteps, (s) => ({ ...s, at: new Date(s.at) }))
  await to.each('conditionClosings', conditionClosings, (c) => ({
    ...c,
    siteId: siteOf(c.machineId),
    at: new Date(c.at),
  }))
  await to.each('mapPictures', mapPictures, (p) => ({ ...p, bytes: Buffer.from(p.bytes, 'base64') }))
  await to.each('pictures', pictures, (p) => ({
    ...p,
    siteId: siteOf(p.machineId),
    takenAt: new Date(p.takenAt),
    bytes: Buffer.from(p.bytes, 'base64'),
  }))
}

/** Traces, jobs, and the stock that jobs take from. */
async function putJobs(to: Putter, siteOf: SiteOf): Promise<void> {
  await to.each('traces', traces, (t) => ({ ...t, siteId: siteOf(t.machineId), at: new Date(t.at) }))
  await to.each('traceSteps', traceSteps, ({ id, traceId, machineId, at, by, ...said }) => ({
    id,
    traceId,
    machineId,
    at: new Date(at),
    by,
    said,
  }))
  await to.each('jobs', jobs, (j) => ({ ...j, siteId: siteOf(j.machineId), at: new Date(j.at) }))
  await to.each('jobSteps', jobSteps, ({ id, jobId, machineId, at, by, ...said }) => ({
    id,
    jobId,
    machineId,
    at: new Date(at),
    by,
    said,
  }))
  await to.each('stockPlaces', stockPlaces, (p) => p)
  await to.each('stockItems', stockItems, (i) => i)
  await to.each('stockMoves', stockMoves, (m) => ({ ...m, at: new Date(m.at) }))
}
