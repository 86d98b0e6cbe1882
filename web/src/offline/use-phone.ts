import { useEffect, useSyncExternalStore } from 'react'
import { whenMarked } from './mark.ts'
import { noteSignal, onSignal, signalHeard } from './signal.ts'
import type { Conflict } from './decide.ts'
import type { Homecoming } from './home.ts'
import type { Held } from './held-words.ts'

/** How this phone stands: what it holds, which rounds it took, what the server said, whether there is signal. */
export interface Phone {
  readonly held: Held
  readonly taken: readonly {
    readonly roundId: string
    readonly name: string
    readonly bytes: number
    readonly at: number
  }[]
  readonly words: readonly { readonly n: number; readonly text: string; readonly machineId: string | null }[]
  /** Refused, and nothing to be decided about it. */
  readonly refused: readonly { readonly n: number; readonly why: string; readonly kind: string }[]
  /** Conflicts: a person decides. */
  readonly conflicts: readonly Conflict[]
  /** How the last try to bring home went. */
  readonly last: Homecoming | null
  /** How far the server's clock was ahead of this phone's when it last answered, ms. */
  readonly ahead: number
  /** Set where this browser keeps nothing. */
  readonly trouble: string | null
}

const nothing: Phone = {
  held: { entries: 0, readings: 0, pictures: 0, refused: 0 },
  taken: [],
  words: [],
  refused: [],
  conflicts: [],
  last: null,
  ahead: 0,
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
      const [{ liveQuery }, { store }, { heldOf }, { conflictsOf, refusedOnly }] = await Promise.all([
        import('dexie'),
        import('./store.ts'),
        import('./held-words.ts'),
        import('./decide.ts'),
      ])
      liveQuery(async () => ({
        line: await store.line.orderBy('n').toArray(),
        taken: await store.taken.toArray(),
        words: await store.words.toArray(),
        ahead: Number((await store.facts.get('ahead'))?.value ?? 0),
      })).subscribe({
        next: ({ line, taken, words, ahead }) => {
          const before = now.held.entries
          set({
            held: heldOf(line),
            taken,
            words,
            ahead,
            refused: refusedOnly(line).map((w) => ({ n: w.n, why: w.refused ?? '', kind: w.kind })),
            conflicts: conflictsOf(line),
            trouble: null,
          })
          if (now.held.entries > before) void home()
        },
        error: (e: unknown) => void import('./store.ts').then(({ storeTrouble }) => set({ trouble: storeTrouble(e) })),
      })
      let running = false
      const home = async () => {
        if (running || now.held.entries === 0) return
        running = true
        try {
          const { bringHome } = await import('./home.ts')
          const last = await bringHome()
          if (last !== 'busy') {
            noteSignal(last !== 'no signal')
            set({ last })
            // What another person left behind stays; what this one took is home all the same.
            if (last === 'home' || last === 'other person') for (const tell of atHome) tell()
          }
        } finally {
          running = false
        }
      }
      window.addEventListener('online', () => void home())
      document.addEventListener('visibilitychange', () => void home())
      setInterval(() => void home(), 15_000)
      sendNow = home
    } catch (e) {
      const { storeTrouble } = await import('./store.ts')
      set({ trouble: storeTrouble(e) })
    }
  })()
}

const atHome = new Set<() => void>()
/** Be told each time the line has come home: what was shown with it is asked for anew. */
export function onHome(tell: () => void): () => void {
  atHome.add(tell)
  return () => atHome.delete(tell)
}

let sendNow: () => Promise<void> = () => Promise.resolve()
/** Try to bring home what waits, now. */
export const tryHome = (): Promise<void> => sendNow()

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
