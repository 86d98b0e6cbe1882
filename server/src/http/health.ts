import { statfs } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import type { Express } from 'express'
import type { Deps } from '../deps.ts'
import type { Trouble } from './trouble.ts'

/** Below this an import or a report fails in the middle. Bytes. */
const leastFree = 200e6

interface Look {
  readonly ok: boolean
  /** What is wrong and what to do; empty where nothing is. */
  readonly problem: string
}
const good: Look = { ok: true, problem: '' }

async function database({ pool }: Deps, seen: Trouble): Promise<Look> {
  try {
    await pool.query('select 1')
    // It answers, and still may take nothing: a full disk shows only when something is written.
    const trouble = seen.recent()
    return trouble?.includes('disk') ? { ok: false, problem: trouble } : good
  } catch {
    return { ok: false, problem: 'The database does not answer. Start it, or check DATABASE_URL.' }
  }
}

/** Records that are later than now: the clock of this machine went back. */
async function clock({ pool, now }: Deps): Promise<Look> {
  try {
    const { rows } = await pool.query<{ at: Date | null }>('select max(at) as at from audit')
    const ahead = (rows[0]?.at?.getTime() ?? 0) - now().getTime()
    return ahead > 600_000
      ? {
          ok: false,
          problem: `The clock is ${Math.round(ahead / 60_000)} minutes behind what was recorded. Set the clock of this machine.`,
        }
      : good
  } catch {
    return good // the look at the database says it
  }
}

async function disk(): Promise<Look> {
  const { bavail, bsize } = await statfs(tmpdir())
  return bavail * bsize > leastFree
    ? good
    : { ok: false, problem: `Only ${Math.round((bavail * bsize) / 1e6)} MB of disk are free. Free some space.` }
}

/** Is the process there, and can it work? For what starts and watches servers. */
export function healthRoutes(app: Express, deps: Deps, trouble: Trouble): void {
  app.get('/livez', (_req, res) => {
    res.set('cache-control', 'no-store').json({ ok: true })
  })
  app.get(['/readyz', '/api/v1/health'], async (_req, res) => {
    const looks = { database: await database(deps, trouble), clock: await clock(deps), disk: await disk() }
    const ok = Object.values(looks).every((l) => l.ok)
    res
      .status(ok ? 200 : 503)
      .set('cache-control', 'no-store')
      .json({ ok, ...Object.fromEntries(Object.entries(looks).map(([what, l]) => [what, l.ok ? 'ok' : l.problem])) })
  })
}
