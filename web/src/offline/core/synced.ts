import type { Mutation } from '@motor-round/contract'
import { mutationRow } from './outbox.ts'
import { store, type New, type QueuedMutation } from './store.ts'

/** So many are remembered; what is older was asked for long since. */
const most = 2000

/** A photo is shown where photos are, and a drawn map by itself: no page has to be told of them. */
const unseen = new Set(['picture', 'roof-map'])

/** The newest entry that the server has, to be noted with what is asked for now. */
export const lastSynced = async (): Promise<number> => Number((await store.synced.toCollection().lastKey()) ?? 0)

/** What the server took since an answer was asked for: it does not show it yet. */
export const syncedSince = (after: number): Promise<QueuedMutation[]> => store.synced.where('n').above(after).toArray()

/**
 * Remember what the server has taken: the answers that are kept here were asked for before, and a signal may be lost before a newer
 * one comes.
 */
export async function noteSynced(taken: readonly New[]): Promise<void> {
  const seen = taken.filter((w) => !unseen.has(w.kind))
  if (seen.length === 0) return
  for (const entry of seen) {
    // It gets a place of its own here.
    const { n: _n, ...row } = { n: 0, ...entry }
    await store.synced.add({ ...row, status: 'pending', synced: true })
  }
  const last = await lastSynced()
  await store.synced
    .where('n')
    .belowOrEqual(last - most)
    .delete()
}

/** The same for what was saved at once, past the outbox. */
export async function noteSaved(author: string, mutation: Mutation): Promise<void> {
  await store.transaction('rw', store.synced, store.cache, async () =>
    noteSynced([await mutationRow(author, mutation)]),
  )
}
