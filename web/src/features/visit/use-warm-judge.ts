import { coreVisit, type MachinePage } from '@motor-round/contract'
import { judge } from '@motor-round/core/judge'
import { useEffect, useRef } from 'react'
import type { useJudging } from '../../app/judging.ts'

/** The first judgement on a cold phone takes ten times the later ones: it is made on an earlier visit, before a key falls. */
export function useWarmJudge(page: MachinePage, judging: ReturnType<typeof useJudging>) {
  const opened = useRef(page)
  useEffect(() => {
    if (!judging) return undefined
    const earlier = opened.current.visits.find((s) => s.readings.length > 3)
    if (!earlier) return undefined
    // One at a time, so that a key never waits for more than one of them.
    let left = 25
    let next = setTimeout(function warm() {
      judge(judging(coreVisit(earlier)))
      left -= 1
      if (left > 0) next = setTimeout(warm, 15)
    }, 100)
    return () => clearTimeout(next)
  }, [judging])
}
