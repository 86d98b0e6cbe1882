import { importState, type ImportState } from '@motor-round/contract'
import { desc, eq, sql } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { imports } from '../db/schema.ts'
import { notFound } from '../http/problem.ts'

/** An import as it starts. */
export function newImport(
  id: string,
  kind: ImportState['kind'],
  name: string,
  by: string,
  at: Date,
  size: number | null,
): ImportState {
  return {
    id,
    kind,
    name,
    status: 'checking',
    rows: 0,
    bytes: 0,
    size,
    added: 0,
    already: 0,
    changed: 0,
    machines: 0,
    sites: 0,
    from: null,
    to: null,
    errorCount: 0,
    errors: [],
    zones: [],
    message: '',
    by,
    startedAt: at.toISOString(),
  }
}

export async function saveImport(db: Db | Tx, state: ImportState): Promise<void> {
  await db
    .insert(imports)
    .values({ id: state.id, state, startedAt: new Date(state.startedAt) })
    .onConflictDoUpdate({ target: imports.id, set: { state } })
}

/** Progress of a running check. @returns false when someone has cancelled it in the meantime */
export async function saveProgress(db: Db, state: ImportState): Promise<boolean> {
  const changed = await db
    .update(imports)
    .set({ state })
    .where(sql`${imports.id} = ${state.id} and ${imports.state}->>'status' = 'checking'`)
    .returning({ id: imports.id })
  return changed.length === 1
}

export async function loadImport(db: Db | Tx, id: string, lock = false): Promise<ImportState> {
  const query = db.select().from(imports).where(eq(imports.id, id))
  const [row] = lock ? await query.for('no key update') : await query
  if (!row) throw notFound('import')
  return importState.parse(row.state)
}

export async function latestImports(db: Db): Promise<ImportState[]> {
  const rows = await db.select().from(imports).orderBy(desc(imports.startedAt)).limit(20)
  return rows.map((r) => importState.parse(r.state))
}

const mostErrors = 200

/** Errors of a file: all counted, the first ones kept with their place. */
export class Errors {
  count = 0
  readonly list: ImportState['errors'] = []
  add(line: number, column: string, message: string): void {
    this.count += 1
    if (this.list.length < mostErrors) this.list.push({ line, column, message })
  }
}
