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
export interface AmpsEpoch {
  readonly from: number | null
  readonly to: number | null
  readonly startedBy: WorkKindId | null
  readonly usual: Usual | null
}

export interface AmpsHistory {
  /** Oldest first; `like`: taken in a state like that of the visit looked at. */
  readonly points: readonly (LoadPoint & { readonly like: boolean })[]
  readonly epochs: readonly AmpsEpoch[]
}

/** All amps of a machine as a chart draws them: points, and epochs with their usual ranges. */
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
  const epochs = [null, ...breaks].map((start, i): AmpsEpoch => {
    const from = start?.at ?? null
    const to = breaks[i]?.at ?? null
    const own = points.filter((p) => p.like && (from === null || p.at >= from) && (to === null || p.at < to))
    return { from, to, startedBy: start?.kind ?? null, usual: usualRange(own.map((p) => p.normal)) }
  })
  return { points, epochs }
}
