import { and, eq, inArray, isNull } from 'drizzle-orm'
import { dayIn, instantIn } from '../dates.ts'
import type { Deps } from '../deps.ts'
import { levelDays } from '../db/rounds-schema.ts'
import { machines, sites } from '../db/schema.ts'
import { loadSnapshots } from '../machine/snapshot.ts'
import { currentPolicies } from '../policies/current.ts'
import { offThread } from '../run/off-thread.ts'
import type { LevelCounts } from './levels-at.ts'

/** So many machines are loaded, and judged for all months, at once. */
const chunk = 20
const months = 6

/** The last days of the months before a day, ISO, newest first. */
export function monthEnds(today: string, count: number): string[] {
  const [y = 0, m = 1] = today.split('-').map(Number)
  return Array.from({ length: count }, (_, i) => new Date(Date.UTC(y, m - 1 - i, 0)).toISOString().slice(0, 10))
}

const plus = (a: LevelCounts, b: LevelCounts): LevelCounts => ({
  ok: a.ok + b.ok,
  watch: a.watch + b.watch,
  fix: a.fix + b.fix,
  stop: a.stop + b.stop,
  unjudged: a.unjudged + b.unjudged,
})
const none: LevelCounts = { ok: 0, watch: 0, fix: 0, stop: 0, unjudged: 0 }

/** Levels of machines at some instants, judged by what was known then; null when told to stop. */
async function levelsOn(
  deps: Deps,
  ids: readonly string[],
  instants: readonly Date[],
  signal: AbortSignal,
): Promise<LevelCounts[] | null> {
  const policies = await currentPolicies(deps.db)
  let out = instants.map(() => none)
  for (let i = 0; i < ids.length; i += chunk) {
    if (signal.aborted) return null
    const all = await loadSnapshots(deps.db, ids.slice(i, i + chunk))
    const counts = await offThread('levelsAt', { all, instants: instants.map(Number), policies })
    out = out.map((sum, n) => plus(sum, counts[n] ?? none))
  }
  return out
}

interface Filling {
  readonly done: Promise<void>
  readonly stop: AbortController
}

/** What is under way, by database: one at a time. */
const running = new WeakMap<Deps['db'], Filling>()

/** Fill what is missing beside the answers, unless that is under way. */
export function fillSoon(deps: Deps): void {
  if (running.has(deps.db)) return
  const stop = new AbortController()
  const done = fillLevelDays(deps, stop.signal)
    .then(
      () => undefined,
      (e: unknown) => {
        deps.log.warn({ err: e instanceof Error ? e.message : String(e) }, 'levels of past months were not worked out')
      },
    )
    .finally(() => running.delete(deps.db))
  running.set(deps.db, { done, stop })
}
export const isFilling = (deps: Deps): boolean => running.has(deps.db)

/** Leave it where it is: what is missing is filled the next time. */
export async function stopFilling(deps: Deps): Promise<void> {
  const filling = running.get(deps.db)
  filling?.stop.abort()
  await filling?.done
}

/**
 * Work out how the machines stood at the ends of the last months, a site at a time. It takes minutes where there are thousands: it runs
 * beside the answers, and a report shows what is there.
 * @returns how many days were worked out
 */
export async function fillLevelDays(deps: Deps, signal: AbortSignal = new AbortController().signal): Promise<number> {
  let made = 0
  for (const site of await deps.db.select({ id: sites.id, zone: sites.zone }).from(sites)) {
    const wanted = monthEnds(dayIn(deps.now(), site.zone), months)
    const known = await deps.db
      .select({ day: levelDays.day })
      .from(levelDays)
      .where(and(eq(levelDays.siteId, site.id), inArray(levelDays.day, wanted)))
    const missing = wanted.filter((d) => !known.some((k) => k.day === d))
    if (missing.length === 0) continue
    const ids = (
      await deps.db
        .select({ id: machines.id })
        .from(machines)
        .where(and(eq(machines.siteId, site.id), isNull(machines.retiredAt)))
    ).map((m) => m.id)
    const ends = missing.map((day) => instantIn(`${day} 23:59:59.000`, site.zone))
    const counts = await levelsOn(deps, ids, ends, signal)
    if (counts === null) return made
    await deps.db
      .insert(levelDays)
      .values(missing.map((day, n) => ({ siteId: site.id, day, ...(counts[n] ?? none) })))
      .onConflictDoNothing()
    made += missing.length
  }
  return made
}
