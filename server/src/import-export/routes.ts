import { pipeline } from 'node:stream/promises'
import { Readable } from 'node:stream'
import { endpoints, organizationFile, type ImportState, type Person } from '@motor-round/contract'
import { sql } from 'drizzle-orm'
import { drizzle } from 'drizzle-orm/node-postgres'
import type { Response, Router } from 'express'
import type pg from 'pg'
import { z } from 'zod'
import { record } from '../audit/record.ts'
import type { Tx } from '../db/client.ts'
import * as schema from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { HttpProblem } from '../http/problem.ts'
import { refreshMany } from '../machine/refresh.ts'
import { FileProblem } from './csv/rows.ts'
import { readingsCsv, registerCsv } from './exports.ts'
import { applyOrganization, compareOrganization } from './organization-apply.ts'
import { readOrganization } from './organization-read.ts'
import { organizationText } from './organization-text.ts'
import { Cancelled, checkReadings, keepReadings } from './readings-import.ts'
import { compareReadings } from './readings-compare.ts'
import { applyRegister, readRegister, withOutcome, type PlacedRow } from './register-import.ts'
import { createDocumentStaging, dropStaging, stagingTable } from './staging.ts'
import { Errors, latestImports, loadImport, newImport, saveImport } from './state.ts'

const largestDocument = 256 * 1024 * 1024

async function readText(source: Readable): Promise<string> {
  const parts: Buffer[] = []
  let size = 0
  for await (const part of source) {
    const buffer = Buffer.from(part as Buffer)
    size += buffer.length
    if (size > largestDocument)
      throw new FileProblem(1, '', 'An organization file can be 256 MB at most; import readings as CSV.')
    parts.push(buffer)
  }
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(Buffer.concat(parts))
  } catch {
    throw new FileProblem(1, '', 'The file is not UTF-8 text.')
  }
}

const settle = (state: ImportState, errors: Errors): ImportState => ({
  ...state,
  status: errors.count > 0 ? 'refused' : 'ready',
  errorCount: errors.count,
  errors: errors.list,
  message: errors.count > 0 ? 'Nothing was imported. Correct these places and import the file again.' : '',
})

async function stage(client: pg.ClientBase, id: string, documents: readonly [number, string][]): Promise<void> {
  await createDocumentStaging(client, id)
  for (let i = 0; i < documents.length; i += 500) {
    const part = documents.slice(i, i + 500)
    await client.query(`insert into ${stagingTable(id)} select * from unnest($1::int[], $2::jsonb[])`, [
      part.map((d) => d[0]),
      part.map((d) => d[1]),
    ])
  }
}

async function check(
  deps: Deps,
  client: pg.ClientBase,
  source: Readable,
  start: ImportState,
  zone: string | null,
): Promise<ImportState> {
  if (start.kind === 'readings') return checkReadings(deps, client, source, start, zone)
  const errors = new Errors()
  if (start.kind === 'register') {
    let bytes = 0
    const rows = await readRegister(source, zone, errors, (n) => (bytes = n))
    if (errors.count > 0) return settle({ ...start, bytes }, errors)
    await stage(
      client,
      start.id,
      rows.map(({ line, ...document }) => [line, JSON.stringify(document)]),
    )
    const outcome = await applyRegister(deps.db, rows, '', deps.now(), true)
    const siteCount = new Set(rows.map((r) => r.row.site.toLowerCase())).size
    return settle(
      withOutcome({ ...start, bytes, rows: rows.length, machines: rows.length, sites: siteCount }, outcome),
      errors,
    )
  }
  const text = await readText(source)
  const file = readOrganization(text, errors)
  if (!file) return settle({ ...start, bytes: text.length }, errors)
  await stage(client, start.id, [[1, JSON.stringify(file)]])
  return settle({ ...start, bytes: text.length, ...(await compareOrganization(deps.db, file)) }, errors)
}

async function receive(deps: Deps, source: Readable, start: ImportState, zone: string | null): Promise<ImportState> {
  const client = await deps.pool.connect()
  let broken = false
  try {
    await saveImport(deps.db, start)
    await dropStaging(client, start.id)
    let state: ImportState
    try {
      state = await check(deps, client, source, start, zone)
    } catch (e) {
      if (e instanceof Cancelled) state = { ...start, status: 'cancelled', message: 'Canceled; nothing was imported.' }
      else if (e instanceof FileProblem) {
        const errors = new Errors()
        errors.add(e.line, e.column, e.message)
        state = settle(start, errors)
      } else if (e instanceof RangeError) {
        const errors = new Errors()
        errors.add(1, '', e.message)
        state = settle(start, errors)
      } else {
        broken = true
        await saveImport(deps.db, {
          ...start,
          status: 'failed',
          message: 'The upload was cut off; nothing was imported.',
        })
        throw e
      }
    }
    if (state.status !== 'ready') await dropStaging(client, start.id)
    // What is left of the request body is read and dropped, so that the answer reaches the sender.
    source.resume()
    await saveImport(deps.db, state)
    return state
  } finally {
    client.release(broken)
    if (broken) await dropStaging(deps.pool, start.id)
  }
}

/** Keep a checked import in one transaction: all of it or nothing. */
async function keep(deps: Deps, id: string, person: Person): Promise<ImportState> {
  const client = await deps.pool.connect()
  try {
    const db = drizzle(client, { schema })
    return await db.transaction(async (tx: Tx) => {
      // One at a time, so that what was found in the check still holds while it is kept.
      await tx.execute(sql`select pg_advisory_xact_lock(727002)`)
      const state = await loadImport(tx, id, true)
      if (state.status === 'done') return state
      if (state.status !== 'ready')
        throw new HttpProblem(409, `This import is ${state.status}; there is nothing to import.`)
      // The staging table does not survive a crash of the database: then the file is asked for again.
      const staged = await client.query<{ there: boolean }>(`select to_regclass($1) is not null as there`, [
        stagingTable(id),
      ])
      const rowsThere = staged.rows[0]?.there
        ? Number((await client.query<{ n: string }>(`select count(*) as n from ${stagingTable(id)}`)).rows[0]?.n ?? 0)
        : 0
      if (rowsThere !== (state.kind === 'organization' ? 1 : state.rows)) {
        const lost: ImportState = {
          ...state,
          status: 'failed',
          message: 'The checked rows were lost when the database stopped. Import the file again.',
        }
        await saveImport(tx, lost)
        return lost
      }
      let done: ImportState
      let touched: string[]
      if (state.kind === 'readings') {
        const errors = new Errors()
        const against = await compareReadings(client, id, errors, state.already > 0)
        if (errors.count > 0)
          throw new HttpProblem(
            409,
            'Readings of these machines were added in the meantime and conflict with the file. Import it again.',
          )
        const kept = await keepReadings(client, id, person.name, against.fresh && against.twice === 0)
        touched = kept.machines
        done = { ...state, status: 'done', added: kept.added, already: state.rows - kept.added }
      } else {
        const rows = await client.query<{ line: number; document: unknown }>(
          `select line, document from ${stagingTable(id)} order by line`,
        )
        if (state.kind === 'register') {
          const outcome = await applyRegister(
            tx,
            rows.rows.map((r) => ({ line: r.line, ...(r.document as Omit<PlacedRow, 'line'>) })),
            person.name,
            deps.now(),
            false,
          )
          touched = outcome.machines
          done = { ...withOutcome(state, outcome), status: 'done' }
        } else {
          const kept = await applyOrganization(tx, organizationFile.parse(rows.rows[0]?.document))
          touched = kept.machines
          done = { ...state, status: 'done', added: kept.added, already: state.rows - kept.added }
        }
      }
      await refreshMany(tx, touched)
      await record(tx, {
        by: person.name,
        at: deps.now(),
        what: `${state.kind} file kept`,
        entity: 'import',
        entityId: id,
        after: { file: state.name, rows: state.rows, added: done.added },
      })
      await dropStaging(client, id)
      await saveImport(tx, done)
      return done
    })
  } finally {
    client.release()
  }
}

/** Send text as a download while it is made; a reader that goes away ends the making. */
async function send(res: Response, type: string, name: string, text: AsyncIterable<string>): Promise<undefined> {
  res.set({
    'content-type': type,
    'content-disposition': `attachment; filename="${name}"`,
    'cache-control': 'no-store',
  })
  try {
    await pipeline(Readable.from(text), res)
  } catch (e) {
    if ((e as NodeJS.ErrnoException).code !== 'ERR_STREAM_PREMATURE_CLOSE') throw e
  }
  return undefined
}

const snapshot = { isolationLevel: 'repeatable read', accessMode: 'read only' } as const

/** Files in and out. */
export function importExportRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.startImport, ({ query, person, req }) => {
    if (query.zone !== undefined) {
      try {
        new Intl.DateTimeFormat('en', { timeZone: query.zone })
      } catch {
        throw new HttpProblem(422, 'zone: not a time zone', { errors: [{ path: 'zone', message: 'not a time zone' }] })
      }
    }
    const start = newImport(query.id, query.kind, query.name, person.name, deps.now(), query.size ?? null)
    return receive(deps, req, start, query.zone ?? null)
  })
  mount(router, deps, endpoints.imports, () => latestImports(deps.db))
  mount(router, deps, endpoints.importState, ({ params }) => loadImport(deps.db, params.id))
  mount(router, deps, endpoints.keepImport, ({ params, person }) => keep(deps, params.id, person))
  mount(router, deps, endpoints.cancelImport, ({ params }) =>
    deps.db.transaction(async (tx) => {
      const state = await loadImport(tx, params.id, true)
      if (state.status === 'done')
        throw new HttpProblem(409, 'It is already imported; correct readings at the machine.')
      const cancelled: ImportState = { ...state, status: 'cancelled', message: 'Canceled; nothing was imported.' }
      if (state.status === 'ready') await tx.execute(sql.raw(`drop table if exists ${stagingTable(state.id)}`))
      await saveImport(tx, cancelled)
      return cancelled
    }),
  )

  mount(router, deps, endpoints.exportReadings, ({ query, res }) =>
    deps.db.transaction(
      (tx) => send(res, 'text/csv; charset=utf-8', 'readings.csv', readingsCsv(tx, query.site, query.machine)),
      snapshot,
    ),
  )
  mount(router, deps, endpoints.exportRegister, async ({ res }) => {
    res
      .set({ 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="register.csv"' })
      .send(await registerCsv(deps.db))
    return undefined
  })
  mount(router, deps, endpoints.exportOrganization, ({ res }) =>
    deps.db.transaction(
      (tx) => send(res, 'application/json; charset=utf-8', 'organization.json', organizationText(tx, deps.now())),
      snapshot,
    ),
  )
  mount(router, deps, endpoints.organizationSchema, ({ res }) => {
    res
      .set('content-type', 'application/schema+json')
      .send(JSON.stringify(z.toJSONSchema(organizationFile, { io: 'input', unrepresentable: 'any' })))
    return undefined
  })
}

/** Drop the staging tables of imports that nobody kept: those of a crash, and those left for a week. */
export async function sweepImports(deps: Deps): Promise<void> {
  const rows = await deps.pool.query<{ name: string }>(
    `select tablename as name from pg_tables where schemaname = 'public' and tablename ~ '^import_[0-9a-f]{32}$'`,
  )
  for (const { name } of rows.rows) {
    const hex = name.slice('import_'.length)
    const id = `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`
    let state: ImportState | null = null
    try {
      state = await loadImport(deps.db, id)
    } catch (e) {
      if (!(e instanceof HttpProblem)) throw e
    }
    const old = state === null || deps.now().getTime() - Date.parse(state.startedAt) > 7 * 86_400_000
    if (!old) continue
    await dropStaging(deps.pool, id)
    if (state && state.status !== 'done')
      await saveImport(deps.db, {
        ...state,
        status: 'cancelled',
        message: 'The checked file expired after a week; import it again.',
      })
  }
}
