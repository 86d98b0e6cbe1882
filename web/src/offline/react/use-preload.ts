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
    let later: ReturnType<typeof setTimeout> | undefined
    const load = () => {
      // What is asked for without a signal could not be asked for again before the page is loaded anew.
      if (!navigator.onLine) return
      // Where even this fails the signal was just lost, and what is asked for later says so itself.
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
    }
    const soon = () => {
      clearTimeout(later)
      later = setTimeout(load, 1200)
    }
    soon()
    window.addEventListener('online', soon)
    return () => {
      clearTimeout(later)
      window.removeEventListener('online', soon)
    }
  }, [more, shown])
}
