import { useEffect, useSyncExternalStore } from 'react'
import { whenMarked } from '../core/mark.ts'
import { noteSignal, onSignal, signalHeard } from '../core/signal.ts'
import type { Conflict } from '../core/conflicts.ts'
import type { SyncOutcome } from '../core/sync.ts'
import type { OutboxCounts } from '../core/outbox-counts.ts'
import type { QueuedMutation } from '../core/store.ts'

type Photo = Extract<QueuedMutation, { kind: 'picture' }>['body']

/** How this phone stands: what it holds, which rounds it took, what the server said, whether there is signal. */
export interface Phone {
  readonly counts: OutboxCounts
  readonly snapshots: readonly {
    readonly roundId: string
    readonly name: string
    readonly bytes: number
    readonly at: number
  }[]
  readonly notices: readonly { readonly n: number; readonly text: string; readonly machineId: string | null }[]
  /** Refused, and nothing to be decided about it. */
  readonly rejected: readonly { readonly n: number; readonly why: string; readonly kind: string }[]
  /** Conflicts: a person decides. */
  readonly conflicts: readonly Conflict[]
  /** Photos that are on no server yet, newest first. */
  readonly photos: readonly Photo[]
  /** How the last sync went. */
  readonly last: SyncOutcome | null
  /** How far the server's clock was ahead of this phone's when it last answered, ms. */
  readonly clockAhead: number
  /** Set where this browser keeps nothing. */
  readonly trouble: string | null
}

const nothing: Phone = {
  counts: { entries: 0, readings: 0, pictures: 0, rejected: 0 },
  snapshots: [],
  notices: [],
  rejected: [],
  conflicts: [],
  photos: [],
  last: null,
  clockAhead: 0,
  trouble: null,
}
let now: Phone = nothing
const listeners = new Set<() => void>()
const set = (part: Partial<Phone>) => {
  now = { ...now, ...part }
  for (const l of listeners) l()
}

let begun = false
/** Watch the store and send what waits: at once, when signal comes back, when the app is looked at again, and now and then. */
function begin(): void {
  if (begun) return
  begun = true
  void (async () => {
    try {
      const [{ liveQuery }, { store }, { outboxCounts }, { conflictsOf, rejectedOnly }] = await Promise.all([
        import('dexie'),
        import('../core/store.ts'),
        import('../core/outbox-counts.ts'),
        import('../core/conflicts.ts'),
      ])
      liveQuery(async () => ({
        outbox: await store.outbox.orderBy('n').toArray(),
        snapshots: await store.snapshots.toArray(),
        notices: await store.notices.toArray(),
        clockAhead: Number((await store.settings.get('ahead'))?.value ?? 0),
      })).subscribe({
        next: ({ outbox, snapshots, notices, clockAhead }) => {
          const before = now.counts.entries
          set({
            counts: outboxCounts(outbox),
            snapshots,
            notices,
            clockAhead,
            rejected: rejectedOnly(outbox).map((w) => ({ n: w.n, why: w.why, kind: w.kind })),
            conflicts: conflictsOf(outbox),
            photos: outbox.flatMap((w) => (w.kind === 'picture' && w.status === 'pending' ? [w.body] : [])).reverse(),
            trouble: null,
          })
          if (now.counts.entries > before) void sync()
        },
        error: (e: unknown) =>
          void import('../core/store.ts').then(({ storeTrouble }) => set({ trouble: storeTrouble(e) })),
      })
      let running = false
      const sync = async () => {
        if (running || now.counts.entries === 0) return
        running = true
        try {
          const { syncOutbox } = await import('../core/sync.ts')
          const last = await syncOutbox()
          if (last !== 'busy') {
            noteSignal(last !== 'no signal')
            set({ last })
            // What another person left behind stays; what this one entered is synced all the same.
            if (last === 'synced' || last === 'other person') for (const tell of syncedListeners) tell()
          }
        } finally {
          running = false
        }
      }
      window.addEventListener('online', () => void sync())
      document.addEventListener('visibilitychange', () => void sync())
      setInterval(() => void sync(), 15_000)
      sendNow = sync
    } catch (e) {
      const { storeTrouble } = await import('../core/store.ts')
      set({ trouble: storeTrouble(e) })
    }
  })()
}

const syncedListeners = new Set<() => void>()
/** Be called each time the outbox has synced: what was shown with it is fetched again. */
export function onSynced(tell: () => void): () => void {
  syncedListeners.add(tell)
  return () => syncedListeners.delete(tell)
}

let sendNow: () => Promise<void> = () => Promise.resolve()
/** Try to sync what waits, now. */
export const syncNow = (): Promise<void> => sendNow()

/** How this phone stands, kept up to date. */
export function usePhone(): Phone {
  useEffect(() => whenMarked(begin), [])
  return useSyncExternalStore(
    (tell) => {
      listeners.add(tell)
      return () => listeners.delete(tell)
    },
    () => now,
  )
}

/** Is there signal? By what the last call found, and by what the browser knows of its network. */
export function useOnline(): boolean {
  const reached = useSyncExternalStore(onSignal, signalHeard)
  const network = useSyncExternalStore(
    (tell) => {
      window.addEventListener('online', tell)
      window.addEventListener('offline', tell)
      return () => {
        window.removeEventListener('online', tell)
        window.removeEventListener('offline', tell)
      }
    },
    () => navigator.onLine,
  )
  return reached && network
}
