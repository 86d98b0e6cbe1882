import { inputOf, type MachinePage, type TraceRecord } from '@motor-round/contract'
import { contextOf } from '@motor-round/core/judge'
import {
  circumstancesOf,
  featuresOf,
  resultsOf,
  resultsOfRecord,
  traceStands,
  type Evidence,
  type Feature,
  type TraceStands,
  type TraceStep,
} from '@motor-round/core/trace'
import { useMemo } from 'react'
import { standingOf, useSnapshot } from '../../app/judging.ts'
import { fanToHear, type FanToHear } from './heard-fan.ts'

const dayMs = 86_400_000

/** What a person knows by the unit the machine is in. */
const knownOf = (page: MachinePage) => ({
  sharedFuses: page.siblings.length > 0,
  purpose:
    page.unit.kind === 'EF' ? ('exhaust' as const) : page.unit.kind === 'condenser' ? ('condenser' as const) : null,
})

const stepOf = ({ traceId: _trace, machineId: _machine, ...step }: TraceRecord['steps'][number]): TraceStep => ({
  ...step,
  at: Date.parse(step.at),
})

/** A trace as it stands: readings of the visits since the day before it count by themselves. */
export function useTrace(
  page: MachinePage,
  trace: TraceRecord,
): { stands: TraceStands; features: ReadonlySet<Feature>; fan: FanToHear | null } | null {
  const snapshot = useSnapshot(page)
  return useMemo(() => {
    if (!snapshot) return null
    const begun = Date.parse(trace.at)
    const features = featuresOf(snapshot.machine, knownOf(page))
    const open = standingOf(snapshot)?.judgement.conditions ?? []
    // What still stands at the machine was found there: the rest of that visit counts with it.
    const standing = new Set(open.map((k) => k.visit))
    const evidence = snapshot.visits
      .filter((v) => v.id === trace.visitId || v.at >= begun - dayMs || standing.has(v.id))
      .flatMap((v): Evidence[] =>
        resultsOf(contextOf(inputOf(snapshot, v))).map((result) => ({
          id: `${v.id}:${result[0]}`,
          at: v.at,
          by: v.by ?? '',
          result,
          visit: v.id,
          note: '',
        })),
      )
    const record = resultsOfRecord(snapshot.machine, snapshot.motor).map((result): Evidence => ({
      id: `record:${result[0]}`,
      at: begun,
      by: 'machine record',
      result,
      visit: null,
      note: '',
    }))
    const circumstances = circumstancesOf({
      at: begun,
      motorInstalledAt: page.motor ? Date.parse(page.motor.installedAt) : null,
      work: snapshot.work,
      open: open.map((k) => k.verdict.check),
      peers: [...new Set(page.peerTraces.filter((t) => t.confidence !== 'open').map((t) => t.cause))],
    })
    const [newest] = [...snapshot.visits].sort((a, b) => b.at - a.at)
    return {
      fan: newest ? fanToHear(inputOf(snapshot, newest)) : null,
      features,
      stands: traceStands(
        { complaint: trace.complaint, features, circumstances },
        [...record, ...evidence],
        trace.steps.map(stepOf),
      ),
    }
  }, [snapshot, page, trace])
}
