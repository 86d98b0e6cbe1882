import type { Result } from '../knowledge/cause.ts'

/** A result with where it comes from. */
export interface Evidence {
  readonly id: string
  /** ms since 1970 */
  readonly at: number
  readonly by: string
  readonly result: Result
  /** The visit it was read at; null where it was entered in the trace. */
  readonly visit: string | null
  readonly note: string
}

/** How a piece of evidence counts. */
export type Counts =
  | { readonly kind: 'counts' }
  | { readonly kind: 'struck out'; readonly reason: string; readonly by: string }
  | { readonly kind: 'read again' }

export interface Weighed extends Evidence {
  readonly counts: Counts
}

/** What was struck out of a trace, by the id of the evidence. */
export interface Strike {
  readonly reason: string
  readonly by: string
}

/**
 * Which evidence counts: the newest of each test that nobody struck out.
 * @returns in order of time
 */
export function weigh(all: readonly Evidence[], strikes: ReadonlyMap<string, Strike>): readonly Weighed[] {
  const inOrder = [...all].sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1))
  const newest = new Map<string, string>()
  for (const e of inOrder) if (!strikes.has(e.id)) newest.set(e.result[0], e.id)
  return inOrder.map((e) => {
    const strike = strikes.get(e.id)
    if (strike) return { ...e, counts: { kind: 'struck out', ...strike } }
    return { ...e, counts: { kind: newest.get(e.result[0]) === e.id ? 'counts' : 'read again' } }
  })
}

export const counting = (all: readonly Weighed[]): readonly Weighed[] => all.filter((e) => e.counts.kind === 'counts')
