import { useEffect, useState } from 'react'

/** Is this the only tab of this phone that has a thing open? A second one is told, so that two hands do not write over each other. */
export function useOnlyTab(what: string): boolean {
  const [only, setOnly] = useState(true)
  useEffect(() => {
    if (!('locks' in navigator)) return undefined
    let release: () => void = () => undefined
    let left = false
    void navigator.locks.request(`motor-round ${what}`, { ifAvailable: true }, (lock) => {
      if (left) return undefined
      setOnly(lock !== null)
      return lock === null ? undefined : new Promise<void>((done) => (release = done))
    })
    return () => {
      left = true
      release()
    }
  }, [what])
  return only
}
