/** A seeded stream of numbers: the same seed gives the same machines on every computer. */
export class Random {
  #state: number

  constructor(seed: number) {
    this.#state = seed >>> 0
  }

  /** Evenly in [0, 1). Mulberry32. */
  next(): number {
    this.#state = (this.#state + 0x6d2b79f5) >>> 0
    let t = this.#state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  between(low: number, high: number): number {
    return low + (high - low) * this.next()
  }
  /** Evenly in the logarithm: for what spans decades, ohms and megohms. */
  decades(low: number, high: number): number {
    return low * (high / low) ** this.next()
  }
  chance(share: number): boolean {
    return this.next() < share
  }
  below(n: number): number {
    return Math.floor(this.next() * n)
  }
  one<T>(list: readonly T[]): T {
    if (list.length === 0) throw new RangeError('nothing to choose from')
    return list[this.below(list.length)] as T
  }
  /** Normal, by twelve evenly spread numbers. */
  normal(sigma: number): number {
    let sum = -6
    for (let i = 0; i < 12; i++) sum += this.next()
    return sum * sigma
  }
}
