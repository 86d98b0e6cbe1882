import { conditionLineOf, coreVisit, snapshotOf } from '@motor-round/contract'
import { reviewAt } from '@motor-round/core/finding'
import {
  judgeMachine,
  loadShare,
  machineDueAt,
  rank,
  speakingVisit,
  turnsAt,
  type Judgement,
  type Overall,
} from '@motor-round/core/judge'
import type { Policies } from '@motor-round/core/limits'
import { loadPoint, meanVolts } from '@motor-round/core/trend'
import type { MachineSnapshot } from './machine-snapshot.ts'

const needOf = (level: Overall): number => {
  if (level === 'not judged') return 1
  const r = rank(level)
  return r === 0 ? 0 : r + 1
}

/** The newest instant at which a machine was read running, and its volts then. */
function loadReadAt(known: MachineSnapshot) {
  const visits = known.visits.filter((s) => s.supersededBy === null).map(coreVisit)
  const visit = speakingVisit(visits)
  return { volts: visit ? meanVolts(visit) : null, at: visit && loadPoint(visit, null) ? new Date(visit.at) : null }
}

function spark(known: MachineSnapshot, judgement: Judgement | null): number[] {
  const allowed = judgement?.rail.allowed
  if (allowed == null) return []
  return known.visits
    .filter((s) => s.supersededBy === null)
    .flatMap((s) => {
      const p = loadPoint(coreVisit(s), null)
      return p ? [Math.round((p.amps / allowed) * 1000) / 1000] : []
    })
    .slice(0, 16)
    .reverse()
}

const earliest = (instants: readonly (number | null)[]): Date | null => {
  const some = instants.filter((t) => t !== null)
  return some.length === 0 ? null : new Date(Math.min(...some))
}

const instantOf = (ms: number | null): Date | null => (ms === null ? null : new Date(ms))

/** How one machine stands in full, what the list of machines shows of that, and what could not be judged. */
function standOf(known: MachineSnapshot, policies: Policies) {
  const snapshot = snapshotOf({ ...known, policies })
  const judgement = judgeMachine(snapshot)
  const level = judgement?.level ?? 'not judged'
  const seen = known.visits.find((s) => s.supersededBy === null)
  const told = known.findings.filter((f) => f.state !== 'closed')
  const open = told.filter((f) => f.state === 'open')
  const worst = open[0] ?? told[0]
  const load = loadReadAt(known)
  return {
    judgement,
    failures: judgement?.failures ?? [],
    need: needOf(level),
    level: level === 'not judged' ? null : level,
    headline: judgement?.headline ?? '',
    conditions: (judgement?.conditions ?? []).map(conditionLineOf),
    found: worst
      ? {
          level: worst.level,
          text: worst.text,
          open: worst.state === 'open',
          until: worst.reviewOn,
          more: told.length - 1,
        }
      : null,
    confidence: judgement?.confidence ?? ('full' as const),
    rail: judgement?.rail ?? null,
    meanVolts: load.volts,
    load: judgement ? loadShare(judgement.rail) : null,
    loadAt: load.at,
    spark: spark(known, judgement),
    seenAt: seen ? new Date(seen.takenAt) : null,
    dueAt:
      judgement && seen
        ? new Date(machineDueAt(judgement, Date.parse(seen.takenAt), policies))
        : earliest(told.map(reviewAt)),
    turnsAt: instantOf(turnsAt(snapshot, snapshot.turnedAt ?? 0)),
  }
}

export type Stand = ReturnType<typeof standOf>

/** How machines stand, in their order. It asks nobody: many are judged by a thread of their own. */
export const standsOf = (of: { readonly all: readonly MachineSnapshot[]; readonly policies: Policies }): Stand[] =>
  of.all.map((known) => standOf(known, of.policies))
