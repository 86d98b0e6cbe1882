import { useEffect } from 'react'

/** Further parts to be loaded; the same function at every call. */
type Ahead = () => readonly Promise<unknown>[]
const none: Ahead = () => []

/** Load what keeping things on this phone takes, while there is signal: without one it could not be fetched any more. */
export function useKeepingAhead(more: Ahead = none): void {
  useEffect(() => {
    const later = setTimeout(() => {
      // Where even this fails there is no signal already, and what is asked for later says so itself.
      void Promise.allSettled([
        import('./line.ts'),
        import('./store.ts'),
        import('./home.ts'),
        import('./decide.ts'),
        import('./kept.ts'),
        import('./held-words.ts'),
        import('./picture.ts'),
        import('dexie'),
        ...more(),
      ])
    }, 1200)
    return () => clearTimeout(later)
  }, [more])
}
