import { createHash } from 'node:crypto'
import { sql } from 'drizzle-orm'
import type { OwnSession } from '@motor-round/contract'
import type { Db, Tx } from '../db/client.ts'

interface Row extends Record<string, unknown> {
  readonly sid: string
  readonly sess: {
    readonly startedAt?: number
    readonly keptAt?: number
    readonly agent?: string
    readonly phone?: boolean
  }
  readonly expire: Date
}

/** A name for a session that opens nothing. */
const nameOf = (sid: string) => createHash('sha256').update(sid).digest('hex').slice(0, 16)
const iso = (ms: number | undefined) => (ms === undefined ? null : new Date(ms).toISOString())

/** Where a person is signed in, last used first. */
export async function ownSessions(db: Db, personId: string, sid: string): Promise<OwnSession[]> {
  const { rows } = await db.execute<Row>(
    sql`select sid, sess, expire from session where sess->>'personId' = ${personId} and expire > now()`,
  )
  return rows
    .map(({ sid: own, sess }) => ({
      id: nameOf(own),
      current: own === sid,
      startedAt: iso(sess.startedAt),
      seenAt: iso(sess.keptAt ?? sess.startedAt),
      agent: sess.agent ?? '',
      phone: sess.phone === true,
    }))
    .sort((a, b) => Number(b.current) - Number(a.current) || ((a.seenAt ?? '') < (b.seenAt ?? '') ? 1 : -1))
}

/** End every session of a person but one. @param but a session that stays; null: none does @returns how many ended */
export async function endSessions(db: Db | Tx, personId: string, but: string | null): Promise<number> {
  const { rowCount } = await db.execute(
    sql`delete from session where sess->>'personId' = ${personId} and sid <> ${but ?? ''}`,
  )
  return rowCount ?? 0
}
