import { useEffect } from 'react'

/** Further parts to be loaded; the same function at every call. */
type Parts = () => readonly Promise<unknown>[]
const none: Parts = () => []

/**
 * Load what keeping things on this phone takes, while there is signal: without one it could not be fetched any more.
 * @param shown whether the page has what it shows: on a slow network that goes first
 */
export function usePreload(more: Parts = none, shown = true): void {
  useEffect(() => {
    if (!shown) return
    const later = setTimeout(() => {
      // Where even this fails there is no signal already, and what is asked for later says so itself.
      void Promise.allSettled([
        import('../core/outbox.ts'),
        import('../core/store.ts'),
        import('../core/sync.ts'),
        import('../core/conflicts.ts'),
        import('../core/cache.ts'),
        import('../core/outbox-counts.ts'),
        import('../core/picture.ts'),
        import('dexie'),
        ...more(),
      ])
    }, 1200)
    return () => clearTimeout(later)
  }, [more, shown])
}
