import { useLayoutEffect, useRef, useState } from 'react'
import type { JudgeActs } from './judge-part.tsx'

/**
 * Functions that stay the same while what they do is always of the newest draw: what is given them is not drawn anew for their
 * sake.
 */
export function useActs(now: JudgeActs): JudgeActs {
  const latest = useRef(now)
  useLayoutEffect(() => {
    latest.current = now
  })
  const [acts] = useState<JudgeActs>(() => ({
    setState: (state) => latest.current.setState(state),
    restore: () => latest.current.restore(),
    pass: (p) => latest.current.pass(p),
    send: (tracing) => latest.current.send(tracing),
  }))
  return acts
}
