import { findQuantity, type QuantityCode, type Reading } from '../quantity/index.ts'
import type { ReadAt } from './facts.ts'

/** One quantity before a job and after it, place by place. */
export interface Proof {
  readonly quantity: QuantityCode
  readonly words: string
  readonly before: readonly Reading[]
  readonly after: readonly Reading[]
  /** When they were read, ms since 1970; null: they were not. */
  readonly beforeAt: number | null
  readonly afterAt: number | null
}

const sound = (r: Reading) => r.how !== 'unsteady'

/**
 * The last readings before the work and the newest after it. What does not stand still proves nothing.
 * @param began the work, ms since 1970 @param ended null: it has not; then nothing proves it yet
 */
export function proofOf(
  asked: readonly QuantityCode[],
  visits: readonly ReadAt[],
  began: number,
  ended: number | null,
): readonly Proof[] {
  const newest = [...visits].sort((a, b) => b.at - a.at)
  const of = (v: ReadAt, q: QuantityCode) => v.readings.filter((r) => r.quantity === q && sound(r))
  return asked.map((quantity) => {
    const read = newest.filter((v) => of(v, quantity).length > 0)
    const before = read.find((v) => v.at < began)
    const after = ended === null ? undefined : read.find((v) => v.at >= ended)
    return {
      quantity,
      words: findQuantity(quantity)?.title ?? quantity,
      before: before ? of(before, quantity) : [],
      after: after ? of(after, quantity) : [],
      beforeAt: before?.at ?? null,
      afterAt: after?.at ?? null,
    }
  })
}
