import { sql } from 'drizzle-orm'
import type { Deps } from '../deps.ts'

/**
 * Put seals on the lines of the change log that have none. The newest seal is said in the security log, which is kept elsewhere: so
 * even who owns the database cannot make the whole chain anew unnoticed.
 * @returns how many were sealed
 */
export async function sealAudit({ db, security }: Pick<Deps, 'db' | 'security'>): Promise<number> {
  return db.transaction(async (tx) => {
    const { rows } = await tx.execute<{ done: number }>(sql`select seal_audit() as done`)
    const done = rows[0]?.done ?? 0
    if (done === 0) return 0
    const { rows: newest } = await tx.execute<{ seq: string; hash: string }>(
      sql`select seq, hash from audit_seals order by seq desc limit 1`,
    )
    security.info({ event: 'change log sealed', seq: Number(newest[0]?.seq), hash: newest[0]?.hash })
    return done
  })
}
