const key = 'motor-round-on-this-phone'
const listeners = new Set<() => void>()

/** Has this phone ever kept anything? Where it has not, nothing of the offline part is loaded. */
export const onThisPhone = (): boolean => localStorage.getItem(key) === 'yes'
export function markThisPhone(): void {
  localStorage.setItem(key, 'yes')
  for (const tell of listeners) tell()
  listeners.clear()
}
/** Call once this phone keeps something: at once where it does. @returns how to be told no more */
export function whenMarked(tell: () => void): () => void {
  if (onThisPhone()) tell()
  else listeners.add(tell)
  return () => listeners.delete(tell)
}
