import type { Visit } from '../trend/index.ts'

/** What a value was worked out from, besides visits. Compared member by member, by identity. */
export type Ground = readonly unknown[]
export const sameGround = (a: Ground, b: Ground): boolean =>
  a.length === b.length && a.every((v, i) => Object.is(v, b[i]))

const tokens = new WeakMap<Visit, number>()
let lastToken = 0
function tokenOf(visit: Visit): number {
  const known = tokens.get(visit)
  if (known !== undefined) return known
  lastToken += 1
  tokens.set(visit, lastToken)
  return lastToken
}
/** A prime: products below stay exact. */
const prime = 8_191_999_993

/** A figure that stands for visits in their order; one more, one that arrives late or is corrected makes another. */
export const chained = (chain: number, visit: Visit): number => (chain * 1_000_003 + tokenOf(visit)) % prime

/**
 * Keeps what was last worked out of a list of visits: the past of a machine is gone through at every key, and is the same each
 * time. The list may be put together anew, its visits not.
 */
export function keptOf<T>(): (visits: readonly Visit[], ground: Ground, make: () => T) => T {
  const kept = new WeakMap<Visit, { readonly chain: number; readonly ground: Ground; readonly value: T }>()
  return (visits, ground, make) => {
    const [first] = visits
    if (!first) return make()
    const chain = visits.reduce(chained, 0)
    const known = kept.get(first)
    if (known?.chain === chain && sameGround(known.ground, ground)) return known.value
    const value = make()
    kept.set(first, { chain, ground, value })
    return value
  }
}
