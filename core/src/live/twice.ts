/** A time as a file wrote it, by a clock that may have passed it twice. Milliseconds since 1970. */
export interface Written {
  readonly first: number
  /** The second pass; null where the clock passed it once. */
  readonly second: number | null
}

/** Most rows are this far apart: what shows whether rows go on where others ended. */
function usualStep(times: readonly Written[]): number {
  const steps: number[] = []
  for (let i = 1; i < times.length && steps.length < 500; i++) {
    const [a, b] = [times[i - 1], times[i]]
    if (a && b && a.second === null && b.second === null && b.first !== a.first) steps.push(Math.abs(b.first - a.first))
  }
  steps.sort((a, b) => a - b)
  return steps[Math.floor(steps.length / 2)] ?? 60_000
}

/** +1 oldest first, -1 newest first, 0 neither. */
function direction(times: readonly Written[]): -1 | 0 | 1 {
  let [up, down] = [0, 0]
  for (let i = 1; i < times.length; i++) {
    const [a, b] = [times[i - 1], times[i]]
    if (!a || !b || a.second !== null || b.second !== null) continue
    if (b.first > a.first) up++
    else if (b.first < a.first) down++
  }
  if (up > 50 * down) return up > 0 ? 1 : 0
  return down > 50 * up ? -1 : 0
}

/** The passes of one stretch of doubtful rows, oldest first; null where it cannot be told. */
function passes(rows: readonly Written[], before: number | null, after: number | null, step: number): (1 | 2)[] | null {
  const cut = rows.findIndex((r, i) => i > 0 && r.first < (rows[i - 1]?.first ?? -Infinity))
  if (cut >= 0) {
    const second = rows.slice(cut)
    // Set back more than once is no clock.
    if (second.some((r, i) => i > 0 && r.first < (second[i - 1]?.first ?? -Infinity))) return null
    return rows.map((_, i) => (i < cut ? 1 : 2))
  }
  const [head, tail] = [rows[0], rows.at(-1)]
  const near = 2.5 * step
  const goesOn = before !== null && head !== undefined && head.first - before <= near
  const leadsOn = after !== null && tail?.second != null && after - tail.second <= near
  if (goesOn === leadsOn) return null
  return rows.map(() => (goesOn ? 1 : 2))
}

/**
 * Instants of rows whose clock was set back among them: in a file that runs oldest or newest first, the order says which pass of
 * the hour a row belongs to; else the rows that go on before or after it do.
 * @param times in the order of the file
 * @returns an instant each, null where nobody can tell
 */
export function instantsOf(times: readonly Written[]): (number | null)[] {
  const way = direction(times)
  const ordered = way < 0 ? [...times].reverse() : times
  const step = usualStep(times)
  const out: (number | null)[] = []
  for (let i = 0; i < ordered.length;) {
    const here = ordered[i]
    if (here?.second == null) {
      out.push(here?.first ?? null)
      i++
      continue
    }
    let end = i
    while (end < ordered.length && ordered[end]?.second != null) end++
    const rows = ordered.slice(i, end)
    const which = way === 0 ? null : passes(rows, ordered[i - 1]?.first ?? null, ordered[end]?.first ?? null, step)
    rows.forEach((r, k) => out.push(which ? (which[k] === 1 ? r.first : r.second) : null))
    i = end
  }
  return way < 0 ? out.reverse() : out
}
