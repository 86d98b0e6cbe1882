import { show } from '../../quantity/index.ts'
import { busEmpties, longestPause, windingCools } from '../pauses.ts'
import type { DueFacts, TaskKind } from '../task.ts'

const visits = (f: DueFacts) => (f.judgement?.conditions ?? []).filter((k) => k.level === 'stop')

/** Lock out, find it, put it right: what answers the level Stop comes before any reading of the machine running. */
export const answerTask: TaskKind = {
  id: 'answer',
  title: 'Lock out and repair',
  scope: 'full',
  minutes: 45,
  people: 1,
  visitsUnit: true,
  locksOut: true,
  for: (f) => visits(f).length > 0,
  rest: (f) => longestPause(busEmpties(f), windingCools(f)),
  wanted(f) {
    return {
      lastAt: null,
      days: 0,
      because: 'a machine at level Stop comes first',
      pulls: visits(f).map((k) => ({
        at: k.since,
        because: `since ${show.day(k.since, f.now, f.machine.zone)}: ${k.verdict.because.replace(/\.$/, '')}. ${k.verdict.next}`,
      })),
      push: null,
    }
  },
}
