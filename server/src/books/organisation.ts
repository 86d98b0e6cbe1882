import { organisationFile, type ImportState, type OrganisationFile } from '@motor-round/contract'
import { asc, sql } from 'drizzle-orm'
import { parse as parseJson, type ParseError } from 'jsonc-parser'
import type { PgTable } from 'drizzle-orm/pg-core'
import type { Db, Tx } from '../db/client.ts'
import {
  areas,
  components,
  machines,
  organisation,
  people,
  readings,
  sites,
  stops,
  supersessions,
  units,
  work,
} from '../db/schema.ts'
import { asMachine, asMotor, asWork, iso } from '../roof/known.ts'
import { unitKind } from '../register/places.ts'
import { notFound } from '../http/problem.ts'
import { Errors } from './state.ts'

/** The line on which a text stops being JSON. */
function brokenLine(text: string): number {
  const errors: ParseError[] = []
  parseJson(text, errors, { disallowComments: true })
  return text.slice(0, errors[0]?.offset ?? 0).split('\n').length
}

/** Check an organisation file: form and references. Errors name the path in the file. */
export function readOrganisation(text: string, errors: Errors): OrganisationFile | null {
  let json: unknown
  try {
    json = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch {
    errors.add(brokenLine(text), '', 'The file is not JSON.')
    return null
  }
  const parsed = organisationFile.safeParse(json)
  if (!parsed.success) {
    for (const i of parsed.error.issues) errors.add(0, i.path.join('.'), i.message)
    return null
  }
  const file = parsed.data
  const has = (list: readonly { id: string }[]) => new Set(list.map((x) => x.id))
  const siteIds = has(file.sites)
  const areaIds = has(file.areas)
  const unitIds = has(file.units)
  const machineIds = has(file.machines)
  const stopIds = has(file.stops)
  file.areas.forEach((a, i) => siteIds.has(a.siteId) || errors.add(0, `areas.${i}.siteId`, 'no such site in the file'))
  file.units.forEach((u, i) => areaIds.has(u.areaId) || errors.add(0, `units.${i}.areaId`, 'no such area in the file'))
  file.machines.forEach(
    (m, i) => unitIds.has(m.unitId) || errors.add(0, `machines.${i}.unitId`, 'no such unit in the file'),
  )
  const ofMachine = (name: string, list: readonly { machineId: string }[]) =>
    list.forEach(
      (x, i) => machineIds.has(x.machineId) || errors.add(0, `${name}.${i}.machineId`, 'no such machine in the file'),
    )
  ofMachine('motors', file.motors)
  ofMachine('work', file.work)
  ofMachine('stops', file.stops)
  file.stops.forEach(
    (s, i) =>
      s.supersedes === null ||
      stopIds.has(s.supersedes) ||
      errors.add(0, `stops.${i}.supersedes`, 'no such stop in the file'),
  )
  return errors.count > 0 ? null : file
}

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
 * Put an organisation file into the database: everything whose id is not there yet. What is there stays as it is; house
 * rules and name are taken only where there is none.
 * @returns the number of readings added and the machines touched
 */
export async function applyOrganisation(
  tx: Tx,
  file: OrganisationFile,
): Promise<{ added: number; machines: string[] }> {
  const areaSite = new Map(file.areas.map((a) => [a.id, a.siteId]))
  const unitSite = new Map(file.units.map((u) => [u.id, areaSite.get(u.areaId) ?? '']))
  const machineSite = new Map(file.machines.map((m) => [m.id, unitSite.get(m.unitId) ?? '']))
  const siteOf = (machineId: string) => machineSite.get(machineId) ?? ''
  await put(tx, organisation, [{ id: 1, name: file.name, rules: file.rules, rulesVersion: 1 }])
  await put(tx, people, file.people)
  await put(tx, sites, file.sites)
  await put(tx, areas, file.areas)
  await put(
    tx,
    units,
    file.units.map((u) => ({ ...u, siteId: unitSite.get(u.id) ?? '' })),
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
      fittedAt: new Date(m.fittedAt),
      removedAt: m.removedAt === null ? null : new Date(m.removedAt),
    })),
  )
  await put(
    tx,
    work,
    file.work.map((w) => ({ ...w, siteId: siteOf(w.machineId), doneAt: new Date(w.doneAt) })),
  )
  await put(
    tx,
    stops,
    file.stops.map(({ readings: _readings, takenAt, recordedAt, ...s }) => ({
      ...s,
      siteId: siteOf(s.machineId),
      takenAt: new Date(takenAt),
      recordedAt: new Date(recordedAt),
      source: 'file' as const,
    })),
  )
  const added = await put(
    tx,
    readings,
    file.stops.flatMap((s) =>
      s.readings.map((r) => ({
        ...r,
        siteId: siteOf(s.machineId),
        machineId: s.machineId,
        takenAt: new Date(s.takenAt),
        stopId: s.id,
      })),
    ),
  )
  await put(
    tx,
    supersessions,
    file.stops.flatMap((s) =>
      s.supersedes === null ? [] : [{ oldStopId: s.supersedes, newStopId: s.id, machineId: s.machineId }],
    ),
  )
  return { added, machines: file.machines.map((m) => m.id) }
}

/** What putting the file in would add. */
export async function compareOrganisation(
  db: Db,
  file: OrganisationFile,
): Promise<Pick<ImportState, 'rows' | 'added' | 'already' | 'machines' | 'sites'>> {
  const ids = sql.param(file.stops.map((s) => s.id))
  const known = await db.execute<{ id: string }>(sql`select id from stops where id = any(${ids}::uuid[])`)
  const there = new Set(known.rows.map((r) => r.id))
  const rows = file.stops.reduce((n, s) => n + s.readings.length, 0)
  const already = file.stops.reduce((n, s) => n + (there.has(s.id) ? s.readings.length : 0), 0)
  return { rows, added: rows - already, already, machines: file.machines.length, sites: file.sites.length }
}

interface ExportedStop extends Record<string, unknown> {
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
  readings: unknown
}

const ownKeys = <T extends object, K extends keyof T>(o: T, drop: readonly K[]): Omit<T, K> =>
  Object.fromEntries(Object.entries(o).filter(([k]) => !(drop as readonly string[]).includes(k))) as Omit<T, K>

/** The organisation file as a stream of text, in one snapshot; stops are fetched some thousand at a time. */
export async function* organisationText(tx: Tx, now: Date): AsyncGenerator<string> {
  const [org] = await tx.select().from(organisation)
  if (!org) throw notFound('organisation')
  const list = (rows: readonly unknown[]) => JSON.stringify(rows)
  const persons = await tx
    .select({ id: people.id, login: people.login, name: people.name, role: people.role })
    .from(people)
    .orderBy(asc(people.id))
  const unitRows = await tx.select().from(units).orderBy(asc(units.id))
  yield `{"format":"motor-round-organisation","formatVersion":1,"name":${JSON.stringify(org.name)},"exportedAt":${JSON.stringify(now.toISOString())},"rules":${JSON.stringify(org.rules)},"people":${list(persons)}`
  yield `,"sites":${list((await tx.select().from(sites).orderBy(asc(sites.id))).map((r) => ownKeys(r, ['version'])))}`
  yield `,"areas":${list((await tx.select().from(areas).orderBy(asc(areas.id))).map((r) => ownKeys(r, ['version'])))}`
  yield `,"units":${list(unitRows.map((r) => ownKeys({ ...r, kind: unitKind(r.kind) }, ['version', 'siteId'])))}`
  yield `,"machines":${list((await tx.select().from(machines).orderBy(asc(machines.id))).map((r) => ownKeys(asMachine(r), ['version', 'siteId'])))}`
  yield `,"motors":${list((await tx.select().from(components).orderBy(asc(components.id))).map((r) => ownKeys(asMotor(r), ['version'])))}`
  yield `,"work":${list((await tx.select().from(work).orderBy(asc(work.id))).map(asWork))},"stops":[`
  await tx.execute(sql`declare all_stops no scroll cursor for
    select s.*, coalesce((
      select jsonb_agg(jsonb_strip_nulls(jsonb_build_object('quantity', r.quantity, 'position', r.position, 'value', r.value, 'how', r.how, 'spread', r.spread)) order by r.quantity, r.position)
      from readings r where r.site_id = s.site_id and r.machine_id = s.machine_id and r.taken_at = s.taken_at and r.stop_id = s.id), '[]') as readings
    from stops s order by s.taken_at, s.id`)
  let first = true
  for (;;) {
    const part = await tx.execute<ExportedStop>(sql`fetch 2000 from all_stops`)
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
          }),
        )
        .join(',')
    )
    first = false
  }
  yield ']}'
}
