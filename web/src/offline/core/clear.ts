import { pictureStore } from './snapshot.ts'
import { store } from './store.ts'

/** Entries of a person that the server does not have. */
export const waitingOf = (personId: string): Promise<number> =>
  store.outbox.filter((m) => m.author === personId || m.author === '').count()

/**
 * Empty this phone of what was fetched for whoever signs out: machines, rounds, photos, answers. What is not synced stays, under
 * the name of who entered it.
 */
export async function clearPhone(): Promise<void> {
  await store.transaction('rw', store.cache, store.snapshots, store.notices, store.synced, async () => {
    await Promise.all([store.cache, store.snapshots, store.notices, store.synced].map((table) => table.clear()))
  })
  if ('caches' in window) await caches.delete(pictureStore)
}
