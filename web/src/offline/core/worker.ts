import { registerSW } from 'virtual:pwa-register'

let started: Promise<void> | null = null
let reload: (() => Promise<void>) | null = null
const waiting = new Set<() => void>()

/** Start the worker that lets the app start without a signal. A newer version waits until it is called for. */
export function startWorker(): Promise<void> {
  started ??= new Promise((done) => {
    const update = registerSW({
      onNeedRefresh: () => {
        reload = () => update(true)
        for (const tell of waiting) tell()
      },
      onRegisteredSW: () => done(),
      onRegisterError: () => done(),
    })
  })
  return started
}

/** Be told when a newer version of the app is here. It never comes by itself: a half-written visit would be lost. */
export function onNewVersion(tell: () => void): () => void {
  waiting.add(tell)
  if (reload) tell()
  return () => waiting.delete(tell)
}

export const takeNewVersion = (): Promise<void> => reload?.() ?? Promise.resolve()
