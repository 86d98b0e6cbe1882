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
  /** Read again wherever it was read before, and on every leg. */
  readonly whole: boolean
}

/** One leg says nothing of the others. */
const everyLeg: readonly QuantityCode[] = ['amps', 'volts_ll', 'winding_ohms', 'ground_ohms']

const sound = (r: Reading) => r.how !== 'unsteady'

/**
 * The last readings before the work and the newest after it. What does not stand still proves nothing.
 * @param began the work, ms since 1970 @param ended null: it has not; then nothing proves it yet
 * @param legs of the supply
 */
export function proofOf(
  asked: readonly QuantityCode[],
  visits: readonly ReadAt[],
  began: number,
  ended: number | null,
  legs = 1,
): readonly Proof[] {
  const newest = [...visits].sort((a, b) => b.at - a.at)
  const of = (v: ReadAt, q: QuantityCode) => v.readings.filter((r) => r.quantity === q && sound(r))
  return asked.map((quantity) => {
    const before = newest.find((v) => v.at < began && of(v, quantity).length > 0)
    // The newest of each place, whichever visit read it.
    const since = ended === null ? [] : newest.filter((v) => v.at >= ended)
    const places = new Map<string, Reading>()
    for (const v of since) for (const r of of(v, quantity)) if (!places.has(r.position)) places.set(r.position, r)
    const after = [...places.values()]
    const first = before ? of(before, quantity) : []
    return {
      quantity,
      words: findQuantity(quantity)?.title ?? quantity,
      before: first,
      after,
      beforeAt: before?.at ?? null,
      afterAt: since.find((v) => of(v, quantity).length > 0)?.at ?? null,
      whole:
        after.length > 0 &&
        after.length >= (everyLeg.includes(quantity) ? legs : 1) &&
        first.every((r) => places.has(r.position)),
    }
  })
}
