import { findQuantity, type QuantityCode, type Reading } from '../quantity/index.ts'
import type { VisitState } from '../trend/index.ts'
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
  /** The state in which it was read before; null where it was not, or nobody said. */
  readonly beforeState: VisitState | null
  /** How the machine was otherwise than before, in words; empty where it was the same, or at rest that is nothing. */
  readonly otherwise: readonly string[]
  /** Read again wherever it was read before, on every leg, settled, and in the state of before. */
  readonly whole: boolean
}

/** One leg says nothing of the others. */
const everyLeg: readonly QuantityCode[] = ['amps', 'volts_ll', 'winding_ohms', 'ground_ohms']

/** Read at rest: the way it ran then is nothing to them. */
export const atRest: readonly QuantityCode[] = ['winding_ohms', 'megohms', 'ground_ohms', 'capacitance', 'belt_force']

/** How the machine was otherwise at one visit than at another. What nobody said is taken as the same. */
function otherwise(before: ReadAt | undefined, after: ReadAt | undefined): readonly string[] {
  const [a, b] = [before?.state, after?.state]
  const said = (words: string, then: string | null | undefined, now: string | null | undefined) =>
    then != null && now != null && then !== now ? [`${words} ${now}, before ${then}`] : []
  return [
    ...(b?.settled === false ? ['not settled yet'] : []),
    ...said('mode', a?.mode, b?.mode),
    ...said('panels', a?.panels, b?.panels),
    ...said('twin', a?.twin, b?.twin),
  ]
}

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
    const read = since.find((v) => of(v, quantity).length > 0)
    const differs = atRest.includes(quantity) ? [] : otherwise(before, read)
    return {
      quantity,
      words: findQuantity(quantity)?.title ?? quantity,
      before: first,
      after,
      beforeAt: before?.at ?? null,
      afterAt: read?.at ?? null,
      beforeState: before?.state ?? null,
      otherwise: differs,
      whole:
        differs.length === 0 &&
        after.length > 0 &&
        after.length >= (everyLeg.includes(quantity) ? legs : 1) &&
        first.every((r) => places.has(r.position)),
    }
  })
}
