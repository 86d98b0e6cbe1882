let heard = true
const listeners = new Set<() => void>()

/** Did the last call reach the server? What a browser says of its network is no proof that anything is reached. */
export function noteSignal(reached: boolean): void {
  if (reached === heard) return
  heard = reached
  for (const l of listeners) l()
}
export const signalHeard = (): boolean => heard
export function onSignal(tell: () => void): () => void {
  listeners.add(tell)
  return () => listeners.delete(tell)
}
