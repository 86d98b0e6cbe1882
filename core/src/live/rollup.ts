/** What some minutes came to: how many, the lowest, their mean, the highest. */
export interface Rolled {
  readonly n: number
  readonly low: number
  readonly mean: number
  readonly high: number
}

/** Values of times, brought together by the spans they fall into. @param span in the unit of the times */
export function rollUp(times: ArrayLike<number>, values: ArrayLike<number>, span: number): Map<number, Rolled> {
  const out = new Map<number, Rolled>()
  let [at, n, low, high, sum] = [NaN, 0, Infinity, -Infinity, 0]
  const close = () => {
    if (n > 0) out.set(at, joined(out.get(at), { n, low, mean: sum / n, high }))
  }
  for (let i = 0; i < times.length; i++) {
    const own = Math.floor((times[i] ?? 0) / span) * span
    if (own !== at) {
      close()
      ;[at, n, low, high, sum] = [own, 0, Infinity, -Infinity, 0]
    }
    const v = values[i] ?? 0
    n++
    sum += v
    if (v < low) low = v
    if (v > high) high = v
  }
  close()
  return out
}

/** Two spans as one. */
export function joined(a: Rolled | undefined, b: Rolled): Rolled {
  if (!a) return b
  const n = a.n + b.n
  return { n, low: Math.min(a.low, b.low), mean: (a.mean * a.n + b.mean * b.n) / n, high: Math.max(a.high, b.high) }
}
