/** How long one part was in its slot, days; `ended` false: it still is, or went out for another reason. */
export interface PartLife {
  readonly days: number
  readonly ended: boolean
}

/** What a part may come out for. */
export const removedForKinds = ['worn', 'schedule', 'other'] as const
export type RemovedFor = (typeof removedForKinds)[number]

const dayMs = 86_400_000
/**
 * The life of one part so far. Only what wore out or failed has ended: a good part that came out for a schedule, a speed or
 * a reason nobody entered would have lasted longer. Instants in ms.
 */
export const lifeOf = (
  part: { readonly installedAt: number; readonly removedAt: number | null; readonly removedFor: RemovedFor | null },
  now: number,
): PartLife => ({
  days: Math.max(0, ((part.removedAt ?? now) - part.installedAt) / dayMs),
  ended: part.removedAt !== null && part.removedFor === 'worn',
})

/** What the lives of a kind of part come to. Days; null where more than that share is still in service. */
export interface LivesTold {
  readonly n: number
  readonly ended: number
  readonly median: number | null
  readonly early: number | null
  readonly late: number | null
}

/**
 * Median and quartiles of the lives of a kind of part. Parts still in service count for the time they have lasted: left
 * out, the median would be that of the ones that failed early.
 * @throws RangeError when a life is not zero days or more
 * @source Kaplan and Meier 1958, product-limit estimate
 */
export function livesOf(lives: readonly PartLife[]): LivesTold {
  for (const l of lives) if (!(l.days >= 0)) throw new RangeError('days must be zero or more')
  const sorted = [...lives].sort((a, b) => a.days - b.days || Number(b.ended) - Number(a.ended))
  let left = 1
  let early: number | null = null
  let median: number | null = null
  let late: number | null = null
  sorted.forEach((l, i) => {
    if (!l.ended) return
    left *= 1 - 1 / (sorted.length - i)
    // Half of the parts are gone the day the share left reaches a half; rounding must not push it past.
    const down = left - 1e-9
    early ??= down <= 0.75 ? l.days : null
    median ??= down <= 0.5 ? l.days : null
    late ??= down <= 0.25 ? l.days : null
  })
  return { n: lives.length, ended: lives.filter((l) => l.ended).length, median, early, late }
}
