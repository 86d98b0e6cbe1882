import { sealAudit } from '../audit/seal.ts'
import type { Deps } from '../deps.ts'
import { sweepImports } from '../import-export/sweep.ts'
import { refreshStale } from '../machine/refresh.ts'
import { digestIfDue } from '../mail/digest.ts'
import { sendSoon } from '../mail/outbox.ts'

interface Chore {
  readonly everyMs: number
  /** What was not done when it fails; it is tried again the next time. */
  readonly failed: string
  readonly work: (deps: Deps) => Promise<unknown>
}

/** What a server does by itself. Several servers at once do each of it once. */
const chores: readonly Chore[] = [
  // What a batch that was cut off left unjudged, by whichever server it was.
  {
    everyMs: 20_000,
    failed: 'stale machines were not judged',
    work: (deps) => deps.db.transaction((tx) => refreshStale(tx)),
  },
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
  const done = async ({ failed, work }: Chore) => {
    try {
      await work(deps)
    } catch (e) {
      // No database: every answer says so meanwhile.
      deps.log.warn({ err: e instanceof Error ? e.message : String(e) }, failed)
    }
  }
  for (const chore of chores) await done(chore)
  const timers = chores.map((chore) => setInterval(() => void done(chore), chore.everyMs).unref())
  return async () => {
    timers.forEach(clearInterval)
    await sealAudit(deps).catch((e: unknown) => deps.log.warn({ err: e }, 'the change log was not sealed'))
  }
}
