import { useCallback, useRef, useState } from 'react'
import { keepOnDevice } from './device-text.ts'

function load<T>(key: string, read: (kept: unknown) => T | null): T | null {
  const text = localStorage.getItem(key)
  if (text === null) return null
  try {
    return read(JSON.parse(text))
  } catch {
    return null // what cannot be read is no draft of ours
  }
}

/**
 * What is being typed on a page, kept on this device at every change until it is saved or given up.
 * @param read a draft out of what was kept; null where it is none
 * @param start the draft to begin with where none is kept
 */
export function useKeptDraft<T extends object>(key: string, read: (kept: unknown) => T | null, start: () => T) {
  const [found] = useState(() => load(key, read))
  const [resumed, setResumed] = useState(found !== null)
  const [draft, setDraft] = useState(() => found ?? start())
  const [kept, setKept] = useState(true)
  // Two changes may come before the page is drawn again: each begins from the one before.
  const latest = useRef(draft)
  const change = useCallback(
    (part: Partial<T> | ((old: T) => Partial<T>)) => {
      const old = latest.current
      const next = { ...old, ...(typeof part === 'function' ? part(old) : part) }
      latest.current = next
      setKept(keepOnDevice(key, JSON.stringify(next)))
      setDraft(next)
    },
    [key],
  )
  /** Keep a part that is not finished yet, without showing it. */
  const keep = useCallback(
    (part: Partial<T>) => setKept(keepOnDevice(key, JSON.stringify({ ...latest.current, ...part }))),
    [key],
  )
  const forget = useCallback(() => {
    localStorage.removeItem(key)
    setResumed(false)
    latest.current = start()
    setDraft(latest.current)
    // The start is what the page was opened with.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key])
  return { draft, change, keep, forget, kept, resumed }
}
