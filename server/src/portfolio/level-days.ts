import { judgedLevel } from '@motor-round/core/judge'
import { and, eq, inArray, isNull } from 'drizzle-orm'
import { dayIn, instantIn } from '../dates.ts'
import type { Deps } from '../deps.ts'
import { levelDays } from '../db/rounds-schema.ts'
import { machines, sites } from '../db/schema.ts'
import { judgeStanding } from '../machine/judge.ts'
import type { MachineSnapshot } from '../machine/machine-snapshot.ts'
import { loadSnapshots } from '../machine/snapshot.ts'
import { currentPolicies } from '../policies/current.ts'

const chunk = 20
const months = 6

const dayMs = 86_400_000

/** A machine as it was known at an instant: what came later is not there yet. */
export function snapshotAt(known: MachineSnapshot, at: Date): MachineSnapshot {
  const until = at.getTime()
  const by = (instant: string) => Date.parse(instant) <= until
  const inPlace = <T extends { installedAt: string; removedAt: string | null }>(list: readonly T[]): T[] =>
    list
      .filter((x) => by(x.installedAt))
      .map((x) => (x.removedAt !== null && !by(x.removedAt) ? { ...x, removedAt: null } : x))
  const visits = known.visits.filter((v) => by(v.takenAt))
  const there = new Set(visits.map((v) => v.id))
  return {
    ...known,
    motors: inPlace(known.motors),
    parts: inPlace(known.parts),
    work: known.work.filter((w) => by(w.doneAt)),
    visits: visits.map((v) =>
      v.supersededBy !== null && !there.has(v.supersededBy) ? { ...v, supersededBy: null } : v,
    ),
    allVisits: visits.length,
    closings: known.closings.filter((c) => by(c.at)),
    findings: [],
    live: known.live && { ...known.live, days: known.live.days.filter((d) => d.at + dayMs <= until) },
  }
}

/** The last days of the months before a day, ISO, newest first. */
export function monthEnds(today: string, count: number): string[] {
  const [y = 0, m = 1] = today.split('-').map(Number)
  return Array.from({ length: count }, (_, i) => new Date(Date.UTC(y, m - 1 - i, 0)).toISOString().slice(0, 10))
}

const breath = () => new Promise<void>((go) => setImmediate(go))

/** Levels of a site at the end of a day, judged by what was known then. */
async function levelsOn(deps: Deps, ids: readonly string[], at: Date) {
  const policies = await currentPolicies(deps.db)
  const out = { ok: 0, watch: 0, fix: 0, stop: 0, unjudged: 0 }
  for (let i = 0; i < ids.length; i += chunk) {
    const snapshots = await loadSnapshots(deps.db, ids.slice(i, i + chunk))
    for (const s of snapshots) {
      const judged = judgeStanding(snapshotAt(s, at), policies)
      out[judged ? (judgedLevel(judged.level) ?? 'unjudged') : 'unjudged'] += 1
      // Somebody may wait for an answer meanwhile.
      await breath()
    }
  }
  return out
}

/** What is under way, by database: one at a time. */
const running = new WeakMap<Deps['db'], Promise<number>>()

/** Fill what is missing beside the answers, unless that is under way. */
export function fillSoon(deps: Deps): void {
  if (running.has(deps.db)) return
  const fill = fillLevelDays(deps)
  running.set(deps.db, fill)
  fill
    .catch((e: unknown) => {
      deps.log.warn({ err: e instanceof Error ? e.message : String(e) }, 'levels of past months were not worked out')
    })
    .finally(() => running.delete(deps.db))
}
export const isFilling = (deps: Deps): boolean => running.has(deps.db)

/**
 * Work out how the machines stood at the ends of the last months, a day and site once. It takes minutes where there are thousands:
 * it runs beside the answers, and a report shows what is there.
 * @returns how many were worked out
 */
export async function fillLevelDays(deps: Deps): Promise<number> {
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
    for (const day of missing) {
      const counts = await levelsOn(deps, ids, instantIn(`${day} 23:59:59.000`, site.zone))
      await deps.db
        .insert(levelDays)
        .values({ siteId: site.id, day, ...counts })
        .onConflictDoNothing()
      made += 1
    }
  }
  return made
}
