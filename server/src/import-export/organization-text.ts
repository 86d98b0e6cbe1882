import { asc, eq, sql } from 'drizzle-orm'
import type { Tx } from '../db/client.ts'
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
import {
  areas,
  audit,
  components,
  machines,
  organization,
  people,
  speedChanges,
  sites,
  units,
  work,
} from '../db/schema.ts'
import { asMachine, asMotor, asPart, asWork, iso } from '../machine/snapshot.ts'
import { asUnit } from '../register/places.ts'
import { notFound } from '../http/problem.ts'
import { asJob, asJobStep } from '../jobs/load.ts'
import { stockItems, stockMoves, stockPlaces } from '../db/stock-schema.ts'
import { liveDays, liveOffHours, livePoints, liveStates } from '../db/live-schema.ts'
import { vfdLinks, vfdProfiles, vfdSettings } from '../db/vfd-schema.ts'
import { asMove } from '../stock/load.ts'
import { asStep } from '../traces/load.ts'

interface ExportedVisit extends Record<string, unknown> {
  id: string
  machine_id: string
  taken_at: string
  recorded_at: string
  by: string
  state: unknown
  answers: unknown
  passes: unknown
  note: string
  supersedes: string | null
  reason: string
  source: string
  by_id: string | null
  readings: unknown
}

const ownKeys = <T extends object, K extends keyof T>(o: T, drop: readonly K[]): Omit<T, K> =>
  Object.fromEntries(Object.entries(o).filter(([k]) => !(drop as readonly string[]).includes(k))) as Omit<T, K>

/** A list of what has bytes, read one at a time: together they may be larger than what one has room for. */
async function* oneByOne(
  name: string,
  ids: readonly { readonly id: string }[],
  read: (id: string) => Promise<{ readonly bytes: Buffer }[]>,
): AsyncGenerator<string> {
  yield `,"${name}":[`
  let comma = ''
  for (const { id } of ids)
    for (const row of await read(id)) {
      yield `${comma}${JSON.stringify({ ...row, bytes: row.bytes.toString('base64') })}`
      comma = ','
    }
  yield ']'
}

/** Rounds, what happened on them, and pictures, one of these at a time: they are the large part. */
async function* roundsText(tx: Tx): AsyncGenerator<string> {
  const visitRows = await tx.select().from(roundVisits).orderBy(asc(roundVisits.machineId))
  const rows = (await tx.select().from(rounds).orderBy(asc(rounds.id))).map((r) => ({
    ...r,
    visits: visitRows.filter((s) => s.roundId === r.id).map((s) => ownKeys(s, ['roundId'])),
  }))
  yield `,"rounds":${JSON.stringify(rows)}`
  const events = await tx.select().from(roundEvents).orderBy(asc(roundEvents.id))
  yield `,"roundEvents":${JSON.stringify(events.map((e) => ownKeys(e, ['recordedAt'])))}`
  const found = await tx.select().from(findings).orderBy(asc(findings.id))
  const steps = await tx.select().from(findingSteps).orderBy(asc(findingSteps.id))
  yield `,"findings":${JSON.stringify(found.map((f) => ownKeys(f, ['siteId'])))},"findingSteps":${JSON.stringify(steps)}`
  const closings = await tx.select().from(conditionClosings).orderBy(asc(conditionClosings.id))
  yield `,"conditionClosings":${JSON.stringify(closings.map((c) => ownKeys(c, ['siteId'])))}`
  const begun = await tx.select().from(traces).orderBy(asc(traces.id))
  const happened = await tx.select().from(traceSteps).orderBy(asc(traceSteps.id))
  yield `,"traces":${JSON.stringify(begun.map((t) => ownKeys(t, ['siteId'])))},"traceSteps":${JSON.stringify(happened.map(asStep))}`
  const work = await tx.select().from(jobs).orderBy(asc(jobs.id))
  const workSteps = await tx.select().from(jobSteps).orderBy(asc(jobSteps.id))
  yield `,"jobs":${JSON.stringify(work.map(asJob))},"jobSteps":${JSON.stringify(workSteps.map(asJobStep))}`
  const taken = await tx.select({ id: pictures.id }).from(pictures).orderBy(asc(pictures.id))
  yield* oneByOne('pictures', taken, async (id) =>
    (await tx.select().from(pictures).where(eq(pictures.id, id))).map((p) => ownKeys(p, ['siteId'])),
  )
  const under = await tx.select({ id: mapPictures.id }).from(mapPictures).orderBy(asc(mapPictures.id))
  yield* oneByOne('mapPictures', under, (id) => tx.select().from(mapPictures).where(eq(mapPictures.id, id)))
}

/** What lies where, and what happened to it. */
async function* stockText(tx: Tx): AsyncGenerator<string> {
  const shelves = await tx.select().from(stockPlaces).orderBy(asc(stockPlaces.id))
  const items = await tx.select().from(stockItems).orderBy(asc(stockItems.id))
  const moves = await tx.select().from(stockMoves).orderBy(asc(stockMoves.id))
  yield `,"stockPlaces":${JSON.stringify(shelves)},"stockItems":${JSON.stringify(items)},"stockMoves":${JSON.stringify(moves.map(asMove))}`
}

/** Who gets the digest, and the change log, some thousand lines at a time. */
async function* auditText(tx: Tx): AsyncGenerator<string> {
  yield `,"digestAddresses":${JSON.stringify(await tx.select().from(digestAddresses).orderBy(asc(digestAddresses.email)))},"audit":[`
  for (let last: { at: Date; id: string } | null = null, comma = ''; ; comma = ',') {
    const after = last ? sql`(${audit.at}, ${audit.id}) > (${last.at}::timestamptz, ${last.id}::uuid)` : undefined
    const part: (typeof audit.$inferSelect)[] = await tx
      .select()
      .from(audit)
      .where(after)
      .orderBy(asc(audit.at), asc(audit.id))
      .limit(2000)
    const end = part.at(-1)
    if (!end) break
    yield comma + part.map((r) => JSON.stringify(r)).join(',')
    last = end
  }
  yield ']'
}

/** What the days of live data came to, some thousand at a time. */
async function* liveDaysText(tx: Tx): AsyncGenerator<string> {
  yield ',"liveDays":['
  for (let last: { machineId: string; day: string } | null = null, comma = ''; ; comma = ',') {
    const after = last
      ? sql`(${liveDays.machineId}, ${liveDays.day}) > (${last.machineId}::uuid, ${last.day}::date)`
      : undefined
    const part: (typeof liveDays.$inferSelect)[] = await tx
      .select()
      .from(liveDays)
      .where(after)
      .orderBy(asc(liveDays.machineId), asc(liveDays.day))
      .limit(2000)
    const end = part.at(-1)
    if (!end) break
    yield comma + part.map(({ machineId, summary }) => JSON.stringify({ machineId, summary })).join(',')
    last = end
  }
  const beside = await tx
    .select({ machineId: liveStates.machineId, beside: sql`${liveStates.evidence}->'beside'` })
    .from(liveStates)
    .orderBy(asc(liveStates.machineId))
  yield `],"liveBeside":${JSON.stringify(beside)}`
}

/** The organization file as a stream of text, in one snapshot; visits are fetched some thousand at a time. */
export async function* organizationText(tx: Tx, now: Date): AsyncGenerator<string> {
  const [org] = await tx.select().from(organization)
  if (!org) throw notFound('organization')
  const list = (rows: readonly unknown[]) => JSON.stringify(rows)
  const persons = await tx
    .select({ id: people.id, login: people.login, name: people.name, role: people.role, disabledAt: people.disabledAt })
    .from(people)
    .orderBy(asc(people.id))
  const unitRows = await tx.select().from(units).orderBy(asc(units.id))
  yield `{"format":"motor-round-organization","formatVersion":1,"name":${JSON.stringify(org.name)},"exportedAt":${JSON.stringify(now.toISOString())},"policies":${JSON.stringify(org.policies)},"policiesVersion":${org.policiesVersion},"policiesBy":${JSON.stringify(org.policiesBy)},"policiesAt":${JSON.stringify(org.policiesAt)},"people":${list(persons)}`
  yield `,"sites":${list(await tx.select().from(sites).orderBy(asc(sites.id)))}`
  const drawn = new Map((await tx.select().from(roofMaps)).map((p) => [p.areaId, p]))
  yield `,"areas":${list((await tx.select().from(areas).orderBy(asc(areas.id))).map((r) => ({ ...r, map: drawn.get(r.id)?.map, mapVersion: drawn.get(r.id)?.version })))}`
  yield `,"units":${list(unitRows.map((r) => ownKeys(asUnit(r), ['siteId'])))}`
  yield `,"machines":${list((await tx.select().from(machines).orderBy(asc(machines.id))).map((r) => ownKeys(asMachine(r), ['siteId'])))}`
  const installed = await tx.select().from(components).orderBy(asc(components.id))
  yield `,"motors":${list(installed.filter((r) => r.slot === 'motor').map(asMotor))}`
  yield `,"parts":${list(installed.filter((r) => r.slot !== 'motor').map(asPart))}`
  yield `,"speedChanges":${list((await tx.select().from(speedChanges).orderBy(asc(speedChanges.id))).map((r) => ownKeys(r, ['siteId'])))}`
  yield `,"vfdProfiles":${list((await tx.select().from(vfdProfiles).orderBy(asc(vfdProfiles.id))).map(({ profile, by, at }) => ({ profile, by, at })))}`
  yield `,"vfdLinks":${list(await tx.select().from(vfdLinks).orderBy(asc(vfdLinks.machineId)))}`
  yield `,"vfdSettings":${list((await tx.select().from(vfdSettings).orderBy(asc(vfdSettings.id))).map((r) => ownKeys(r, ['siteId'])))}`
  yield `,"livePoints":${list(await tx.select().from(livePoints).orderBy(asc(livePoints.id)))}`
  yield `,"liveOffHours":${list(await tx.select().from(liveOffHours).orderBy(asc(liveOffHours.machineId)))}`
  yield* liveDaysText(tx)
  yield `,"work":${list((await tx.select().from(work).orderBy(asc(work.id))).map(asWork))},"visits":[`
  await tx.execute(sql`declare all_visits no scroll cursor for
    select s.*, coalesce((
      select jsonb_agg(jsonb_strip_nulls(jsonb_build_object('quantity', r.quantity, 'position', r.position, 'value', r.value, 'how', r.how, 'spread', r.spread)) order by r.quantity, r.position)
      from readings r where r.site_id = s.site_id and r.machine_id = s.machine_id and r.taken_at = s.taken_at and r.visit_id = s.id), '[]') as readings
    from visits s order by s.taken_at, s.id`)
  let first = true
  for (;;) {
    const part = await tx.execute<ExportedVisit>(sql`fetch 2000 from all_visits`)
    if (part.rows.length === 0) break
    yield (
      (first ? '' : ',') +
      part.rows
        .map((s) =>
          JSON.stringify({
            id: s.id,
            machineId: s.machine_id,
            takenAt: iso(s.taken_at),
            recordedAt: iso(s.recorded_at),
            by: s.by,
            state: s.state,
            answers: s.answers,
            passes: s.passes,
            readings: s.readings,
            note: s.note,
            supersedes: s.supersedes,
            reason: s.reason,
            source: s.source,
            byId: s.by_id,
          }),
        )
        .join(',')
    )
    first = false
  }
  yield ']'
  yield* stockText(tx)
  yield* roundsText(tx)
  yield* auditText(tx)
  yield '}'
}
