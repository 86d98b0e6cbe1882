import { sql } from 'drizzle-orm'
import type { Request, Response } from 'express'
import type pg from 'pg'
import type { Tx } from '../db/client.ts'
import type { Deps } from '../deps.ts'

const channel = 'round_moved'
const everyMs = 20_000

/** Say that something happened on a round. It reaches every server when the transaction is kept, and none when it is not. */
export const tell = (tx: Tx, roundId: string) => tx.execute(sql`select pg_notify(${channel}, ${roundId})`)

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
      for (const res of listeners.get(n.payload ?? '') ?? []) res.write(`data: moved\n\n`)
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
  const beat = setInterval(() => res.write(': here\n\n'), everyMs)
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
      res.write('data: here\n\n')
    },
    (e: unknown) => {
      deps.log.warn({ err: e }, 'cannot listen for rounds')
      res.end()
    },
  )
}
