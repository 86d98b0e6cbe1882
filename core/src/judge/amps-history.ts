import {
  breaksTrend,
  comparableTo,
  loadPoint,
  usualRange,
  workItBelongsTo,
  type LoadPoint,
  type Usual,
  type WorkKindId,
} from '../trend/index.ts'
import type { JudgeInput } from './input.ts'
import { referenceVolts } from './past.ts'

/** A stretch between works that break the trend of amps, with its usual range. Instants in ms; null: open end. */
export interface AmpsBaseline {
  readonly since: number | null
  readonly to: number | null
  readonly startedBy: WorkKindId | null
  readonly usual: Usual | null
}

export interface AmpsHistory {
  /** Oldest first; `like`: taken in a state like that of the visit looked at. */
  readonly points: readonly (LoadPoint & { readonly like: boolean })[]
  readonly baselines: readonly AmpsBaseline[]
}

/** All amps of a machine as a chart draws them: points, and baselines with their usual ranges. */
export function ampsHistory(input: JudgeInput): AmpsHistory {
  const { visit } = input
  const reference = referenceVolts(input.history, visit)
  const like = comparableTo(visit)
  const points = [...input.history, visit]
    .sort((a, b) => a.at - b.at)
    .flatMap((s) => {
      const p = loadPoint(s, reference)
      return p ? [{ ...p, like: like(s) }] : []
    })
  const breaks = input.work
    .filter((w) => breaksTrend(w.kind, 'amps') && workItBelongsTo(w, input.work, 'amps') === w)
    .sort((a, b) => a.at - b.at)
  const baselines = [null, ...breaks].map((start, i): AmpsBaseline => {
    const since = start?.at ?? null
    const to = breaks[i]?.at ?? null
    const own = points.filter((p) => p.like && (since === null || p.at >= since) && (to === null || p.at < to))
    return { since, to, startedBy: start?.kind ?? null, usual: usualRange(own.map((p) => p.normal)) }
  })
  return { points, baselines }
}
