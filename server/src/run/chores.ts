import { sealAudit } from '../audit/seal.ts'
import type { Deps } from '../deps.ts'
import { sweepImports } from '../import-export/sweep.ts'
import { takeFolder } from '../live/folder.ts'
import { sumUp } from '../live/pass.ts'
import { pollDrives } from '../live/poll.ts'
import { thin } from '../live/thin.ts'
import { refreshStale } from '../machine/refresh.ts'
import { turnDays } from '../machine/turn-days.ts'
import { digestIfDue } from '../mail/digest.ts'
import { sendSoon } from '../mail/outbox.ts'

interface Chore {
  readonly everyMs: number
  /** It waits for others, and is not waited for when the server starts. */
  readonly slow?: true
  /** What was not done when it fails; it is tried again the next time. */
  readonly failed: string
  readonly work: (deps: Deps) => Promise<unknown>
}

/** A chore that one server does at a time: another one that comes meanwhile leaves it out. */
const alone =
  (lock: number, work: (deps: Deps) => Promise<unknown>) =>
  async (deps: Deps): Promise<void> => {
    const client = await deps.files.pool.connect()
    // A connection that cannot let go of the lock is closed, and the lock with it.
    let broken = false
    try {
      const { rows } = await client.query<{ free: boolean }>('select pg_try_advisory_lock($1) as free', [lock])
      if (!rows[0]?.free) return
      try {
        await work(deps)
      } finally {
        await client.query('select pg_advisory_unlock($1)', [lock]).catch(() => {
          broken = true
        })
      }
    } finally {
      client.release(broken)
    }
  }

/** What a server does by itself. Several servers at once do each of it once. */
const chores: readonly Chore[] = [
  // What a batch that was cut off left unjudged, by whichever server it was.
  {
    everyMs: 20_000,
    failed: 'stale machines were not judged',
    work: (deps) => refreshStale(deps.db),
  },
  { everyMs: 60_000, failed: 'machines whose day had come were not judged', work: turnDays },
  {
    everyMs: 30_000,
    failed: 'e-mails were not sent',
    work: (deps) => {
      sendSoon(deps)
      return Promise.resolve()
    },
  },
  { everyMs: 10_000, failed: 'the change log was not sealed', work: sealAudit },
  { everyMs: 60_000, failed: 'imports were not cleared up', work: sweepImports },
  { everyMs: 60_000, slow: true, failed: 'drives were not read', work: alone(730_001, pollDrives) },
  { everyMs: 15_000, failed: 'the folder for live data was not looked through', work: alone(730_002, takeFolder) },
  { everyMs: 60_000, failed: 'live data was not summed up', work: (deps) => sumUp(deps.db, deps.now()) },
  { everyMs: 6 * 3_600_000, failed: 'old live data was not thinned out', work: alone(730_003, thin) },
  {
    everyMs: 600_000,
    failed: 'the weekly digest was not written',
    work: async (deps) => {
      if ((await digestIfDue(deps)) > 0) sendSoon(deps)
    },
  },
]

/**
 * Do every chore now, and again and again.
 * @returns how it stops, with the change log sealed a last time
 */
export async function keepHouse(deps: Deps): Promise<() => Promise<void>> {
  const running = new Set<Promise<void>>()
  const doing = async ({ failed, work }: Chore) => {
    try {
      await work(deps)
    } catch (e) {
      // No database: every answer says so meanwhile.
      deps.log.warn({ err: e instanceof Error ? e.message : String(e) }, failed)
    }
  }
  const done = (chore: Chore): Promise<void> => {
    const one = doing(chore).finally(() => running.delete(one))
    running.add(one)
    return one
  }
  for (const chore of chores)
    if (chore.slow) void done(chore)
    else await done(chore)
  const timers = chores.map((chore) => setInterval(() => void done(chore), chore.everyMs).unref())
  return async () => {
    timers.forEach(clearInterval)
    // What runs still needs the database.
    await Promise.all(running)
    await sealAudit(deps).catch((e: unknown) => deps.log.warn({ err: e }, 'the change log was not sealed'))
  }
}
