import { roundNews, type RoundNews } from '@motor-round/contract'
import { and, eq, isNull, sql } from 'drizzle-orm'
import type { Request, Response } from 'express'
import type pg from 'pg'
import { z } from 'zod'
import { stillSignedIn } from '../auth/still-signed-in.ts'
import type { Tx } from '../db/client.ts'
import { anyOf, prepared } from '../db/prepared.ts'
import { rounds, roundVisits } from '../db/rounds-schema.ts'
import type { Deps } from '../deps.ts'

const channel = 'round_news'
const everyMs = 20_000

/** PostgreSQL takes less than 8,000 bytes a notice. */
const longest = 7900

/**
 * Tell what happened on a round. It reaches every server when the transaction is kept, and none when it is not.
 * @param news what does not fit a notice is told as `page`
 */
export function tell(tx: Tx, roundId: string, news: RoundNews = { say: 'page' }) {
  const whole = JSON.stringify({ roundId, news })
  const payload = Buffer.byteLength(whole) < longest ? whole : JSON.stringify({ roundId, news: { say: 'page' } })
  return tx.execute(sql`select pg_notify(${channel}, ${payload})`)
}

/** Tell it on every open round that one of these machines is on. */
export async function tellRoundsOf(
  tx: Tx,
  machineIds: readonly string[],
  newsOf: (machineId: string) => RoundNews | undefined,
): Promise<void> {
  if (machineIds.length === 0) return
  const open = prepared(tx, 'open_rounds_of', () =>
    tx
      .select({ roundId: roundVisits.roundId, machineId: roundVisits.machineId })
      .from(roundVisits)
      .innerJoin(rounds, eq(rounds.id, roundVisits.roundId))
      .where(and(anyOf(roundVisits.machineId), isNull(rounds.closing)))
      .prepare('open_rounds_of'),
  )
  const on = await open.execute({ ids: [...machineIds] })
  for (const { roundId, machineId } of on) {
    const news = newsOf(machineId)
    if (news) await tell(tx, roundId, news)
  }
}

const notice = z.object({ roundId: z.string(), news: roundNews })

/** A notice as another server may have written it; null where this one cannot read it. */
function noticeOf(payload: string): z.infer<typeof notice> | null {
  try {
    return notice.safeParse(JSON.parse(payload)).data ?? null
  } catch {
    return null
  }
}

const line = (news: RoundNews) => `data: ${JSON.stringify(news)}\n\n`

interface Ear {
  readonly client: pg.PoolClient
  readonly listeners: Map<string, Set<Response>>
}

/** One connection a server listens for all who watch. */
const ears = new WeakMap<pg.Pool, Promise<Ear>>()

function earOf(deps: Deps): Promise<Ear> {
  const known = ears.get(deps.pool)
  if (known) return known
  const made = (async () => {
    const client = await deps.pool.connect()
    const listeners = new Map<string, Set<Response>>()
    const gone = (e?: Error) => {
      ears.delete(deps.pool)
      // Browsers come back by themselves, and are given a new connection.
      for (const set of listeners.values()) for (const res of set) res.end()
      client.release(e ?? true)
    }
    client.once('error', gone)
    client.on('notification', (n) => {
      const told = noticeOf(n.payload ?? '')
      if (told === null) deps.log.warn({ payload: n.payload }, 'news of a round that cannot be read')
      else for (const res of listeners.get(told.roundId) ?? []) res.write(line(told.news))
    })
    await client.query(`listen ${channel}`)
    return { client, listeners }
  })()
  ears.set(deps.pool, made)
  made.catch(() => ears.delete(deps.pool))
  return made
}

/** Let go of the connection that listens, so that the pool can end. */
export async function deafen(pool: pg.Pool): Promise<void> {
  const known = ears.get(pool)
  if (!known) return
  ears.delete(pool)
  const { client, listeners } = await known
  for (const set of listeners.values()) for (const res of set) res.end()
  client.removeAllListeners('notification')
  client.release(true)
}

/** Keep a watcher told, as server-sent events, until it goes. */
export function hear(deps: Deps, roundId: string, req: Request, res: Response): void {
  res.set({ 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform', 'x-accel-buffering': 'no' })
  res.flushHeaders()
  res.write('retry: 3000\n\n')
  const beat = setInterval(() => {
    res.write(': here\n\n')
    // Whoever was signed out, or whose account was closed, hears no more.
    stillSignedIn(deps, req.sessionID).then(
      (still) => {
        if (!still) res.end()
      },
      (e: unknown) => deps.log.warn({ err: e }, 'a watcher could not be looked up'),
    )
  }, everyMs)
  let gone = false
  let leave = () => clearInterval(beat)
  req.once('close', () => {
    gone = true
    leave()
  })
  earOf(deps).then(
    ({ listeners }) => {
      if (gone) return
      const set = listeners.get(roundId) ?? new Set()
      set.add(res)
      listeners.set(roundId, set)
      leave = () => {
        clearInterval(beat)
        set.delete(res)
        if (set.size === 0) listeners.delete(roundId)
      }
      res.write(line({ say: 'here' }))
    },
    (e: unknown) => {
      deps.log.warn({ err: e }, 'cannot listen for rounds')
      res.end()
    },
  )
}
