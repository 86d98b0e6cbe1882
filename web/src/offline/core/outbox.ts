import { dependsOn, session, type Mutation } from '@motor-round/contract'
import { markThisPhone } from './mark.ts'
import { store, type New, type QueuedMutation } from './store.ts'

/** The whole outbox, oldest first; rejected and blocked ones too. */
export const queuedMutations = (): Promise<QueuedMutation[]> => store.outbox.orderBy('n').toArray()

/**
 * Put mutations at the end of the outbox, all or none.
 * @param author id of who entered them
 * @throws what the store throws: full, or not allowed
 */
export async function enqueue(
  author: string,
  mutations: readonly (Mutation & { level?: string | null })[],
): Promise<void> {
  markThisPhone()
  await store.transaction('rw', store.outbox, store.cache, async () => {
    for (const { level, ...mutation } of mutations)
      await store.outbox.add({ ...(await mutationRow(author, mutation)), level: level ?? null })
  })
}

/** A mutation as it is put down here. @param author id of who entered it */
export async function mutationRow(author: string, mutation: Mutation): Promise<New> {
  const signedIn = session.safeParse((await store.cache.get('/session'))?.data).data?.person
  return {
    ...mutation,
    dependsOn: dependsOn(mutation),
    // What one person entered is sent as theirs, whoever signs in on this phone later.
    author,
    authorName: signedIn?.id === author ? signedIn.name : '',
    status: 'pending',
    why: '',
    level: null,
    readings: mutation.kind === 'visit' ? mutation.body.readings.length : 0,
  }
}
