import { sql } from 'drizzle-orm'
import type { Deps } from '../deps.ts'
import { longestMs } from './session.ts'

/** Does a session still hold, and the account with it? For what stays open after it was let in. */
export async function stillSignedIn({ db }: Deps, sid: string): Promise<boolean> {
  const { rowCount } = await db.execute(
    sql`select 1 from session s join people p on p.id::text = s.sess->>'personId'
        where s.sid = ${sid} and s.expire > now() and p.disabled_at is null
          and coalesce((s.sess->>'startedAt')::float8, ${Date.now()}::float8) > ${Date.now() - longestMs}::float8`,
  )
  return (rowCount ?? 0) > 0
}
