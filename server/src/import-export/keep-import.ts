import type { ImportState, Person } from '@motor-round/contract'
import { sql } from 'drizzle-orm'
import { drizzle } from 'drizzle-orm/node-postgres'
import type pg from 'pg'
import { record, who } from '../audit/record.ts'
import type { Tx } from '../db/client.ts'
import * as schema from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { HttpProblem } from '../http/problem.ts'
import { refreshMany } from '../machine/refresh.ts'
import { applyOrganization } from './organization/apply.ts'
import { staged } from './organization/source.ts'
import { keepReadings } from './readings-import.ts'
import { compareReadings } from './readings-compare.ts'
import { applyRegister, withOutcome, type PlacedRow } from './register-import.ts'
import { dropStaging, stagingTable } from './staging.ts'
import { Errors, loadImport, saveImport } from './state.ts'
import { authorOf } from '../machine/command.ts'

const lost: Partial<ImportState> = {
  status: 'failed',
  message: 'The checked rows were lost when the database stopped. Import the file again.',
}

/** Are all the checked rows there? A crash of the database empties their table: then the file is asked for again. */
async function stillStaged(client: pg.ClientBase, state: ImportState): Promise<boolean> {
  const t = stagingTable(state.id)
  const { rows } = await client.query<{ there: boolean; listed: boolean }>(
    `select to_regclass($1) is not null as there,
       exists (select 1 from pg_attribute where attrelid = to_regclass($1) and attname = 'list') as listed`,
    [t],
  )
  if (!rows[0]?.there) return false
  // Of an organization file, what stands beside its lists comes last; one that an earlier version checked has no lists.
  if (state.kind === 'organization')
    return rows[0].listed && (await client.query(`select 1 from ${t} where list = ''`)).rowCount === 1
  const counted = await client.query<{ n: string }>(`select count(*) as n from ${t}`)
  return Number(counted.rows[0]?.n) === state.rows
}

interface Kept {
  readonly done: ImportState
  /** The machines to be judged anew. */
  readonly touched: readonly string[]
}

const withAdded = (state: ImportState, added: number): ImportState => ({
  ...state,
  status: 'done',
  added,
  already: state.rows - added,
})

const keepers: Record<
  ImportState['kind'],
  (how: { tx: Tx; client: pg.ClientBase; state: ImportState; person: Person; now: Date }) => Promise<Kept>
> = {
  readings: async ({ client, state, person }) => {
    const errors = new Errors()
    const against = await compareReadings(client, state.id, errors, state.already > 0)
    if (errors.count > 0)
      throw new HttpProblem(
        409,
        'Readings of these machines were added in the meantime and conflict with the file. Import it again.',
      )
    const kept = await keepReadings(client, state.id, person.name, against.fresh && against.twice === 0)
    return { done: withAdded(state, kept.added), touched: kept.machines }
  },
  register: async ({ tx, client, state, person, now }) => {
    const { rows } = await client.query<{ line: number; document: Omit<PlacedRow, 'line'> }>(
      `select line, document from ${stagingTable(state.id)} order by line`,
    )
    const outcome = await applyRegister(
      tx,
      rows.map((r) => ({ line: r.line, ...r.document })),
      authorOf(person, now),
      false,
    )
    return { done: { ...withOutcome(state, outcome), status: 'done' }, touched: outcome.machines }
  },
  organization: async ({ tx, state }) => {
    const kept = await applyOrganization(tx, await staged(tx, state.id), true)
    return { done: withAdded(state, kept.added), touched: kept.machines }
  },
}

/** Keep a checked import in one transaction: all of it or nothing. */
export async function keep(deps: Deps, id: string, person: Person): Promise<ImportState> {
  const client = await deps.files.keepers.connect()
  try {
    const db = drizzle(client, { schema })
    return await db.transaction(async (tx: Tx) => {
      // One at a time, so that what was found in the check still holds while it is kept.
      await tx.execute(sql`select pg_advisory_xact_lock(727002)`)
      const state = await loadImport(tx, id, true)
      if (state.status === 'done') return state
      if (state.status !== 'ready')
        throw new HttpProblem(409, `This import is ${state.status}; there is nothing to import.`)
      if (!(await stillStaged(client, state))) {
        const gone = { ...state, ...lost }
        await saveImport(tx, gone)
        return gone
      }
      const { done, touched } = await keepers[state.kind]({ tx, client, state, person, now: deps.now() })
      await refreshMany(tx, touched)
      await record(tx, {
        ...who(person),
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
