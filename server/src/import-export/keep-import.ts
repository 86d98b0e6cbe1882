import { organizationFile, type ImportState, type Person } from '@motor-round/contract'
import { sql } from 'drizzle-orm'
import { drizzle } from 'drizzle-orm/node-postgres'
import { record, who } from '../audit/record.ts'
import type { Tx } from '../db/client.ts'
import * as schema from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { HttpProblem } from '../http/problem.ts'
import { refreshMany } from '../machine/refresh.ts'
import { applyOrganization } from './organization-apply.ts'
import { keepReadings } from './readings-import.ts'
import { compareReadings } from './readings-compare.ts'
import { applyRegister, withOutcome, type PlacedRow } from './register-import.ts'
import { dropStaging, stagingTable } from './staging.ts'
import { Errors, loadImport, saveImport } from './state.ts'
import { authorOf } from '../machine/command.ts'

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
            authorOf(person, deps.now()),
            false,
          )
          touched = outcome.machines
          done = { ...withOutcome(state, outcome), status: 'done' }
        } else {
          const kept = await applyOrganization(tx, organizationFile.parse(rows.rows[0]?.document), true)
          touched = kept.machines
          done = { ...state, status: 'done', added: kept.added, already: state.rows - kept.added }
        }
      }
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
