import type { SyncEntryInput } from '@motor-round/contract'
import { v7 as uuid } from 'uuid'
import { onThisPhone } from './mark.ts'
import type { Fact } from './store.ts'

/** A visit as it is sent. */
export type VisitBody = Extract<SyncEntryInput, { kind: 'visit' }>['body']
type FindingBody = Extract<SyncEntryInput, { kind: 'finding' }>['body']
type FindingStepBody = Extract<SyncEntryInput, { kind: 'finding-step' }>['body']
type ClosingBody = Extract<SyncEntryInput, { kind: 'closing' }>['body']
type EventBody = Extract<SyncEntryInput, { kind: 'event' }>['body']

/** Put facts in the line of this phone, all or none. @returns words for what went wrong with its store, or null */
export async function keep(by: string, facts: readonly (Fact & { level?: string | null })[]): Promise<string | null> {
  const [{ keepHere }, { storeTrouble }] = await Promise.all([import('./line.ts'), import('./store.ts')])
  try {
    await keepHere(by, facts)
    return null
  } catch (e) {
    return storeTrouble(e)
  }
}

/** Does anything wait on this phone to be taken home? */
export async function somethingWaits(): Promise<boolean> {
  if (!onThisPhone()) return false
  const { allWaiting } = await import('./line.ts')
  try {
    return (await allWaiting()).some((w) => w.refused === null)
  } catch {
    // A phone whose store cannot be read keeps nothing that could wait; its trouble is told where something is to be kept.
    return false
  }
}

/** Keep a visit on this phone, with what it means for its round. */
export const keepVisitHere = (
  by: string,
  body: VisitBody,
  how: { readonly round: string | null; readonly level: string | null; readonly at: number },
): Promise<string | null> =>
  keep(by, [
    { kind: 'visit', body, level: how.level },
    ...(how.round === null
      ? []
      : [
          {
            kind: 'event' as const,
            body: {
              id: uuid(),
              roundId: how.round,
              machineId: body.machineId,
              kind: 'done' as const,
              at: new Date(how.at).toISOString(),
              visitId: body.id,
            },
          },
        ]),
  ])

/** Keep what happened on a round. */
export const tellRound = (by: string, body: EventBody): Promise<string | null> => keep(by, [{ kind: 'event', body }])

/** Keep what was found, or what became of it. */
export const keepFinding = (by: string, body: FindingBody): Promise<string | null> =>
  keep(by, [{ kind: 'finding', body }])
/** Keep that a person closed a condition, or opened it again. */
export const keepClosing = (by: string, body: ClosingBody): Promise<string | null> =>
  keep(by, [{ kind: 'closing', body }])
export const keepFindingStep = (by: string, body: FindingStepBody): Promise<string | null> =>
  keep(by, [{ kind: 'finding-step', body }])
