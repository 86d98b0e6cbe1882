import { Readable } from 'node:stream'
import { importState, type ImportState } from '@motor-round/contract'
import { eq } from 'drizzle-orm'
import type pg from 'pg'
import { imports } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { HttpProblem } from '../http/problem.ts'
import { FileProblem } from './csv/rows.ts'
import { checkOrganization } from './organization/check.ts'
import { Cancelled, checkReadings } from './readings-import.ts'
import { applyRegister, readRegister, withOutcome } from './register-import.ts'
import { checkLock, createDocumentStaging, dropStaging, stagingTable } from './staging.ts'
import { Errors, loadImport, saveImport, saveProgress } from './state.ts'

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

export async function check(
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
    const outcome = await applyRegister(deps.db, rows, { by: '', byId: null, now: deps.now() }, true)
    const siteCount = new Set(rows.map((r) => r.row.site.toLowerCase())).size
    return settle(
      withOutcome({ ...start, bytes, rows: rows.length, machines: rows.length, sites: siteCount }, outcome),
      errors,
    )
  }
  return settle(await checkOrganization(deps, client, source, start, errors), errors)
}

/**
 * Note an import as being checked.
 * @returns the import that was kept under this id already: nothing of it changes
 */
async function begin(deps: Deps, start: ImportState): Promise<ImportState | null> {
  return deps.db.transaction(async (tx) => {
    const [before] = await tx.select().from(imports).where(eq(imports.id, start.id)).for('no key update')
    const known = before && importState.parse(before.state)
    if (known?.status === 'done') return known
    await saveImport(tx, start)
    return null
  })
}

/** Check a file. Nothing of it counts until it is kept. */
export async function receive(
  deps: Deps,
  source: Readable,
  start: ImportState,
  zone: string | null,
): Promise<ImportState> {
  const client = await deps.files.pool.connect()
  const lock = await client
    .query<{ free: boolean }>(`select pg_try_advisory_lock(${checkLock}) as free`, [start.id])
    .catch((e: unknown) => {
      client.release(true)
      throw e
    })
  if (!lock.rows[0]?.free) {
    client.release()
    throw new HttpProblem(409, 'This file is being checked already.')
  }
  let broken = false
  try {
    const done = await begin(deps, start)
    if (done) {
      source.resume()
      return done
    }
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
    if (!(await saveProgress(deps.db, state))) {
      await dropStaging(client, start.id)
      return await loadImport(deps.db, start.id)
    }
    return state
  } finally {
    // A connection that cannot release the lock is closed, and the lock with it.
    if (!broken)
      await client.query(`select pg_advisory_unlock(${checkLock})`, [start.id]).catch(() => {
        broken = true
      })
    client.release(broken)
    if (broken) await dropStaging(deps.files.pool, start.id)
  }
}
