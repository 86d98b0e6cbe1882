/** Levels a finding may be given: what is OK is no finding. Mildest first. */
export const findingLevels = ['watch', 'fix', 'stop'] as const
export type FindingLevel = (typeof findingLevels)[number]

export const findingStates = ['open', 'postponed', 'closed'] as const
export type FindingState = (typeof findingStates)[number]

/** What people do with a finding, and how that leaves it. */
const stateAfter = { postponed: 'postponed', closed: 'closed', reopened: 'open' } as const
export type FindingStepKind = keyof typeof stateAfter
export const findingStepKinds = Object.keys(stateAfter) as FindingStepKind[]

/** One step. `at`: instant, ISO 8601; `reviewOn`: ISO date. */
interface Step {
  readonly id: string
  readonly at: string
  readonly kind: FindingStepKind
  readonly reviewOn: string | null
}

/** Steps in the order they were taken; two of one instant by their ids, so that every device has the same order. */
const inOrder = <S extends Step>(steps: readonly S[]): S[] =>
  [...steps].sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1))

/**
 * How its steps leave a finding.
 * @param reviewOn the day it was to be looked at again when it was entered; that of the last step counts where it was postponed
 */
export function afterSteps<S extends Step>(
  reviewOn: string | null,
  steps: readonly S[],
): { readonly state: FindingState; readonly reviewOn: string | null; readonly steps: S[] } {
  const ordered = inOrder(steps)
  const last = ordered.at(-1)
  return {
    state: last ? stateAfter[last.kind] : 'open',
    reviewOn: last?.kind === 'postponed' ? last.reviewOn : reviewOn,
    steps: ordered,
  }
}

/** When it is to be looked at again, ms since 1970; null: at the next visit. Noon UTC: as near to that day as one instant comes. */
export const reviewAt = (f: { readonly reviewOn: string | null }): number | null =>
  f.reviewOn === null ? null : Date.parse(`${f.reviewOn}T12:00:00Z`)

/** The worst first, then the oldest; closed ones last. */
export const byUrgency = <
  F extends { readonly level: FindingLevel; readonly state: FindingState; readonly at: string },
>(
  list: readonly F[],
): F[] => {
  const rank = (f: F) => (f.state === 'closed' ? 3 : 2 - findingLevels.indexOf(f.level))
  return [...list].sort((a, b) => rank(a) - rank(b) || Date.parse(a.at) - Date.parse(b.at))
}
