import { seeded } from '../../core/src/machine/index.ts'

/** A seeded stream of choices: the same seed gives the same machines on every computer. */
export class Random {
  readonly #stream: ReturnType<typeof seeded>

  constructor(seed: number) {
    this.#stream = seeded(seed)
  }

  /** Evenly in [0, 1). */
  next(): number {
    return this.#stream.next()
  }
  between(low: number, high: number): number {
    return this.#stream.between(low, high)
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
  /** Normal around zero. */
  normal(sigma: number): number {
    return sigma * this.#stream.normal()
  }
}
