import { useCallback, useLayoutEffect, useRef } from 'react'

/**
 * A function that stays the same while what it does is always of the newest draw: a part that is given it is not drawn anew for
 * its sake. To be called by events, not while drawing.
 */
export function useSteady<A extends unknown[], R>(act: (...a: A) => R): (...a: A) => R {
  const latest = useRef(act)
  useLayoutEffect(() => {
    latest.current = act
  })
  return useCallback((...a: A) => latest.current(...a), [])
}
