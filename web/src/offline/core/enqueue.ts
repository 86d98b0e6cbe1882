import type { Mutation, MutationBodies } from '@motor-round/contract'
import { v7 as uuid } from 'uuid'
import { onThisPhone } from './mark.ts'

/** A visit as it is sent. */
export type VisitBody = MutationBodies['visit']
type FindingBody = MutationBodies['finding']
type FindingStepBody = MutationBodies['finding-step']
type ClosingBody = MutationBodies['closing']
type EventBody = MutationBodies['event']

/** Put mutations in the outbox of this phone, all or none. @returns words for what went wrong with its store, or null */
export async function tryEnqueue(
  by: string,
  mutations: readonly (Mutation & { level?: string | null })[],
): Promise<string | null> {
  const parts = await Promise.all([import('./outbox.ts'), import('./store.ts')]).catch(() => null)
  if (parts === null)
    return 'The signal was lost before this page could prepare to save without it. What you typed is still on the page: stay on it until you have signal.'
  const [{ enqueue }, { storeTrouble }] = parts
  try {
    await enqueue(by, mutations)
    return null
  } catch (e) {
    return storeTrouble(e)
  }
}

/** Does anything wait on this phone to be synced? */
export async function outboxHasPending(): Promise<boolean> {
  if (!onThisPhone()) return false
  try {
    const { queuedMutations } = await import('./outbox.ts')
    return (await queuedMutations()).some((w) => w.status === 'pending')
  } catch {
    // A phone whose store cannot be loaded or read keeps nothing that could wait; its trouble is told where something is to be kept.
    return false
  }
}

/** Keep a visit on this phone, with what it means for its round. */
export const enqueueVisit = (
  by: string,
  body: VisitBody,
  how: { readonly round: string | null; readonly level: string | null; readonly at: number },
): Promise<string | null> =>
  tryEnqueue(by, [
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
export const enqueueEvent = (by: string, body: EventBody): Promise<string | null> =>
  tryEnqueue(by, [{ kind: 'event', body }])

/** Keep what was found, or what became of it. */
export const enqueueFinding = (by: string, body: FindingBody): Promise<string | null> =>
  tryEnqueue(by, [{ kind: 'finding', body }])
/** Keep that a person closed a condition, or opened it again. */
export const enqueueClosing = (by: string, body: ClosingBody): Promise<string | null> =>
  tryEnqueue(by, [{ kind: 'closing', body }])
export const enqueueFindingStep = (by: string, body: FindingStepBody): Promise<string | null> =>
  tryEnqueue(by, [{ kind: 'finding-step', body }])

/**
 * Send what waits before something is asked of the server that stands on it. Where it cannot be sent, the server says what it
 * misses, and the line of the signal why.
 */
export async function sendWaiting(): Promise<void> {
  for (let tries = 0; tries < 20 && (await outboxHasPending()); tries++) {
    const outcome = await import('./sync.ts').then((m) => m.syncOutbox()).catch(() => 'not sent' as const)
    if (outcome !== 'busy') return
    // Another sender is at it.
    await new Promise((go) => setTimeout(go, 250))
  }
}
