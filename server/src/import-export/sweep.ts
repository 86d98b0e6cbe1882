import type { ImportState } from '@motor-round/contract'
import type { Deps } from '../deps.ts'
import { HttpProblem } from '../http/problem.ts'
import { checkLock, dropStaging } from './staging.ts'
import { loadImport, saveImport, saveProgress } from './state.ts'

const idOf = (hex: string): string =>
  `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`

/** An import that nobody checks any more, because its server ended in the middle of it, is told so, and what it staged is dropped. */
async function endStopped(deps: Deps): Promise<void> {
  const checking = await deps.pool.query<{ id: string }>(`select id from imports where state->>'status' = 'checking'`)
  for (const { id } of checking.rows) {
    const client = await deps.pool.connect()
    try {
      // Whoever checks it holds this lock as long as its connection lives.
      const { rows } = await client.query<{ free: boolean }>(`select pg_try_advisory_lock(${checkLock}) as free`, [id])
      if (!rows[0]?.free) continue
      const state = await loadImport(deps.db, id)
      const message = 'The server stopped while it checked this file; nothing was imported. Import it again.'
      if (await saveProgress(deps.db, { ...state, status: 'failed', message })) await dropStaging(client, id)
      await client.query(`select pg_advisory_unlock(${checkLock})`, [id])
    } finally {
      client.release()
    }
  }
}

/** Drop what imports left behind that nobody kept: those of a server that ended, and those left for a week. */
export async function sweepImports(deps: Deps): Promise<void> {
  await endStopped(deps)
  const rows = await deps.pool.query<{ name: string }>(
    `select tablename as name from pg_tables where schemaname = 'public' and tablename ~ '^import_[0-9a-f]{32}$'`,
  )
  for (const { name } of rows.rows) {
    const id = idOf(name.slice('import_'.length))
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
