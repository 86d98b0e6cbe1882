import { findingOf } from '@motor-round/contract'
import { judgedLevel, type Overall } from '@motor-round/core/judge'
import type { Policies } from '@motor-round/core/limits'
import { judgeStanding } from '../machine/judge.ts'
import type { MachineSnapshot } from '../machine/machine-snapshot.ts'

const dayMs = 86_400_000

/** A machine as it was known at an instant: what came later is not there yet. */
export function snapshotAt(known: MachineSnapshot, at: Date): MachineSnapshot {
  const until = at.getTime()
  const by = (instant: string) => Date.parse(instant) <= until
  const soFar = <T extends { at: string }>(steps: readonly T[]): T[] => steps.filter((s) => by(s.at))
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
    findings: known.findings.filter((f) => by(f.at)).map((f) => findingOf(f, soFar(f.steps))),
    traces: known.traces.filter((t) => by(t.at)).map((t) => ({ ...t, steps: soFar(t.steps) })),
    jobs: known.jobs.filter((j) => by(j.at)).map((j) => ({ ...j, steps: soFar(j.steps) })),
    turnedAt: at.toISOString(),
    live: known.live && { ...known.live, days: known.live.days.filter((d) => d.at + dayMs <= until) },
  }
}

/** Machines by level. */
export type LevelCounts = Record<Exclude<Overall, 'not judged'> | 'unjudged', number>

/**
 * How many machines stood at each level, at each of some instants, judged by what was known then. It asks nobody: it is worked out by a
 * thread of its own.
 * @param of instants in ms
 */
export const levelsAt = (of: {
  readonly all: readonly MachineSnapshot[]
  readonly instants: readonly number[]
  readonly policies: Policies
}): LevelCounts[] =>
  of.instants.map((at) => {
    const out = { ok: 0, watch: 0, fix: 0, stop: 0, unjudged: 0 }
    for (const known of of.all) {
      const judged = judgeStanding(snapshotAt(known, new Date(at)), of.policies)
      out[judged ? (judgedLevel(judged.level) ?? 'unjudged') : 'unjudged'] += 1
    }
    return out
  })
