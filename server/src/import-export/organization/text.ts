import { asc, eq, inArray, ne, sql } from 'drizzle-orm'
import type { Tx } from '../../db/client.ts'
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
} from '../../db/rounds-schema.ts'
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
} from '../../db/schema.ts'
import { asMachine, asMotor, asPart, asWork, iso } from '../../machine/snapshot.ts'
import { asUnit } from '../../register/places.ts'
import { notFound } from '../../http/problem.ts'
import { asJob, asJobStep } from '../../jobs/load.ts'
import { stockItems, stockMoves, stockPlaces } from '../../db/stock-schema.ts'
import { liveDays, liveOffHours, livePoints, liveStates } from '../../db/live-schema.ts'
import { vfdLinks, vfdProfiles, vfdSettings } from '../../db/vfd-schema.ts'
import { asMove } from '../../stock/load.ts'
import { each, listText, page, pageOfBytes, pages, tableText } from './pages.ts'
import { asStep } from '../../traces/load.ts'

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

/** Areas with their roof maps. */
async function* areasOf(tx: Tx): AsyncGenerator<unknown[]> {
  for await (const part of pages(tx, areas, 'id')) {
    const ids = part.map((a) => a.id)
    const drawn = await tx.select().from(roofMaps).where(inArray(roofMaps.areaId, ids))
    const mapOf = new Map(drawn.map((p) => [p.areaId, p]))
    yield part.map((a) => ({ ...a, map: mapOf.get(a.id)?.map, mapVersion: mapOf.get(a.id)?.version }))
  }
}

/** Rounds with their visits. */
async function* roundsOf(tx: Tx): AsyncGenerator<unknown[]> {
  for await (const part of pages(tx, rounds, 'id', { most: 100 })) {
    const ids = part.map((r) => r.id)
    const rows = await tx
      .select()
      .from(roundVisits)
      .where(inArray(roundVisits.roundId, ids))
      .orderBy(asc(roundVisits.machineId))
    yield part.map((r) => ({
      ...r,
      visits: rows.filter((s) => s.roundId === r.id).map((s) => ownKeys(s, ['roundId'])),
    }))
  }
}

const withBytes = <T extends { bytes: Buffer }>(row: T) => ({ ...row, bytes: row.bytes.toString('base64') })

/** Rounds, what happened on them, and pictures, few of these at a time: they are the large part. */
async function* roundsText(tx: Tx): AsyncGenerator<string> {
  yield* listText('rounds', roundsOf(tx))
  yield* tableText(tx, 'roundEvents', roundEvents, 'id', (e) => ownKeys(e, ['recordedAt']))
  yield* tableText(tx, 'findings', findings, 'id', (f) => ownKeys(f, ['siteId']))
  yield* tableText(tx, 'findingSteps', findingSteps, 'id')
  yield* tableText(tx, 'conditionClosings', conditionClosings, 'id', (c) => ownKeys(c, ['siteId']))
  yield* tableText(tx, 'traces', traces, 'id', (t) => ownKeys(t, ['siteId']))
  yield* tableText(tx, 'traceSteps', traceSteps, 'id', asStep)
  yield* tableText(tx, 'jobs', jobs, 'id', asJob)
  yield* tableText(tx, 'jobSteps', jobSteps, 'id', asJobStep)
  const few = { most: pageOfBytes }
  yield* tableText(tx, 'pictures', pictures, 'id', (p) => withBytes(ownKeys(p, ['siteId'])), few)
  yield* tableText(tx, 'mapPictures', mapPictures, 'id', withBytes, few)
}

/** The change log, in the order in which it was written. */
async function* changesOf(tx: Tx): AsyncGenerator<(typeof audit.$inferSelect)[]> {
  for (let last: { at: Date; id: string } | null = null; ;) {
    const after = last ? sql`(${audit.at}, ${audit.id}) > (${last.at}::timestamptz, ${last.id}::uuid)` : undefined
    const part: (typeof audit.$inferSelect)[] = await tx
      .select()
      .from(audit)
      .where(after)
      .orderBy(asc(audit.at), asc(audit.id))
      .limit(page)
    const end = part.at(-1)
    if (!end) return
    yield part
    last = end
  }
}

/** What the days of live data came to. */
async function* liveDaysOf(tx: Tx): AsyncGenerator<(typeof liveDays.$inferSelect)[]> {
  for (let last: { machineId: string; day: string } | null = null; ;) {
    const after = last
      ? sql`(${liveDays.machineId}, ${liveDays.day}) > (${last.machineId}::uuid, ${last.day}::date)`
      : undefined
    const part: (typeof liveDays.$inferSelect)[] = await tx
      .select()
      .from(liveDays)
      .where(after)
      .orderBy(asc(liveDays.machineId), asc(liveDays.day))
      .limit(page)
    const end = part.at(-1)
    if (!end) return
    yield part
    last = end
  }
}

/** What the building's own instruments showed. */
async function* liveText(tx: Tx): AsyncGenerator<string> {
  yield* tableText(tx, 'livePoints', livePoints, 'id')
  yield* tableText(tx, 'liveOffHours', liveOffHours, 'machineId')
  yield* listText(
    'liveDays',
    each(liveDaysOf(tx), ({ machineId, summary }) => ({ machineId, summary })),
  )
  yield* tableText(tx, 'liveBeside', liveStates, 'machineId', (s) => ({
    machineId: s.machineId,
    beside: s.evidence.beside,
  }))
}

/** Visits with their readings, by the time they were taken. */
async function* visitsOf(tx: Tx): AsyncGenerator<unknown[]> {
  await tx.execute(sql`declare all_visits no scroll cursor for
    select s.*, coalesce((
      select jsonb_agg(jsonb_strip_nulls(jsonb_build_object('quantity', r.quantity, 'position', r.position, 'value', r.value, 'how', r.how, 'spread', r.spread)) order by r.quantity, r.position)
      from readings r where r.site_id = s.site_id and r.machine_id = s.machine_id and r.taken_at = s.taken_at and r.visit_id = s.id), '[]') as readings
    from visits s order by s.taken_at, s.id`)
  for (;;) {
    const { rows } = await tx.execute<ExportedVisit>(sql`fetch ${sql.raw(String(page))} from all_visits`)
    if (rows.length === 0) return
    yield rows.map((s) => ({
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
    }))
  }
}

/** Who there is, and where the machines are, with what is in them. */
async function* registerText(tx: Tx): AsyncGenerator<string> {
  yield* tableText(tx, 'people', people, 'id', ({ id, login, name, role, disabledAt }) => ({
    id,
    login,
    name,
    role,
    disabledAt,
  }))
  yield* tableText(tx, 'sites', sites, 'id')
  yield* listText('areas', areasOf(tx))
  yield* tableText(tx, 'units', units, 'id', (r) => ownKeys(asUnit(r), ['siteId']))
  yield* tableText(tx, 'machines', machines, 'id', (r) => ownKeys(asMachine(r), ['siteId']))
  yield* tableText(tx, 'motors', components, 'id', asMotor, { only: eq(components.slot, 'motor') })
  yield* tableText(tx, 'parts', components, 'id', asPart, { only: ne(components.slot, 'motor') })
  yield* tableText(tx, 'speedChanges', speedChanges, 'id', (r) => ownKeys(r, ['siteId']))
  yield* tableText(tx, 'vfdProfiles', vfdProfiles, 'id', ({ profile, by, at }) => ({ profile, by, at }))
  yield* tableText(tx, 'vfdLinks', vfdLinks, 'machineId')
  yield* tableText(tx, 'vfdSettings', vfdSettings, 'id', (r) => ownKeys(r, ['siteId']))
}

/** The organization file as a stream of text, in one snapshot, some records in memory at a time. */
export async function* organizationText(tx: Tx, now: Date): AsyncGenerator<string> {
  const [org] = await tx.select().from(organization)
  if (!org) throw notFound('organization')
  const { name, policies, policiesVersion, policiesBy, policiesAt } = org
  const head = { format: 'motor-round-organization', formatVersion: 1, name, exportedAt: now.toISOString() }
  yield JSON.stringify({ ...head, policies, policiesVersion, policiesBy, policiesAt }).slice(0, -1)
  yield* registerText(tx)
  yield* liveText(tx)
  yield* tableText(tx, 'work', work, 'id', asWork)
  yield* listText('visits', visitsOf(tx))
  yield* tableText(tx, 'stockPlaces', stockPlaces, 'id')
  yield* tableText(tx, 'stockItems', stockItems, 'id')
  yield* tableText(tx, 'stockMoves', stockMoves, 'id', asMove)
  yield* roundsText(tx)
  yield* tableText(tx, 'digestAddresses', digestAddresses, 'email')
  yield* listText('audit', changesOf(tx))
  yield '}'
}
