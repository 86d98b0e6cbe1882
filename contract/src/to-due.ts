import { reviewAt } from '@motor-round/core/finding'
import { unknownLayout } from '@motor-round/core/installed'
import type { Judgement } from '@motor-round/core/judge'
import type { Policies } from '@motor-round/core/limits'
import type { LiveEvidence } from '@motor-round/core/live'
import { dueTasks, oldestSubstitute, waitingChanges, type DueFacts, type DueTask } from '@motor-round/core/round'
import type { FindingRecord } from './finding.ts'
import type { PartRecord } from './installed.ts'
import type { JobRecord } from './job.ts'
import type { SpeedChangeRecord } from './speed-change.ts'
import type { Machine, Motor } from './register.ts'
import type { DueTaskRecord } from './round.ts'
import type { VisitRecord, WorkRecord } from './visit.ts'
import { burnsOf, corePart, coreVisit, machineFacts, workOf } from './to-core.ts'

/** What is known of a machine, as the rounds take it. */
interface Known {
  readonly machine: Pick<
    Machine,
    'phases' | 'serviceVolts' | 'hasVfd' | 'hasTwin' | 'drive' | 'controls' | 'unitPlate'
  > & {
    readonly layout?: Machine['layout'] | undefined
  }
  readonly motors: readonly Pick<Motor, 'plate' | 'installedAt' | 'removedAt' | 'substitute' | 'connectionVolts'>[]
  readonly parts: readonly PartRecord[]
  readonly work: readonly WorkRecord[]
  readonly visits: readonly VisitRecord[]
  readonly live?: LiveEvidence | null | undefined
  readonly jobs?: readonly Pick<JobRecord, 'steps'>[] | undefined
}

const inSlot = (
  slot: PartRecord['part']['slot'] | 'motor',
  f: Pick<Motor, 'substitute' | 'installedAt' | 'removedAt'>,
) => ({
  slot,
  substitute: f.substitute,
  installedAt: Date.parse(f.installedAt),
  removedAt: f.removedAt === null ? null : Date.parse(f.removedAt),
})

/** What the core asks to say what is due of a machine. */
export function dueFacts(
  known: Known,
  open: {
    readonly speedChanges: readonly Pick<SpeedChangeRecord, 'madeAt' | 'doneAt' | 'droppedAt' | 'change'>[]
    readonly findings: readonly Pick<FindingRecord, 'at' | 'text' | 'state' | 'reviewOn'>[]
  },
  judgement: Judgement | null,
  place: { readonly unitKind: string; readonly indoors: boolean },
  policies: Policies,
  now: number,
): DueFacts {
  const motor = known.motors.find((m) => m.removedAt === null)
  return {
    machine: machineFacts(known),
    ...place,
    visits: known.visits.filter((s) => s.supersededBy === null).map(coreVisit),
    work: workOf(known),
    burnedAt: burnsOf(known.jobs ?? []).reduce<number | null>((last, b) => Math.max(last ?? b.at, b.at), null),
    parts: known.parts.map(corePart),
    layout: known.machine.layout ?? unknownLayout,
    motorRpm: motor?.plate.rpm ?? null,
    substitute: oldestSubstitute([
      ...known.motors.map((m) => inSlot('motor', m)),
      ...known.parts.map((p) => inSlot(p.part.slot, p)),
    ]),
    waiting: waitingChanges(
      open.speedChanges.map((p) => ({
        madeAt: Date.parse(p.madeAt),
        open: p.doneAt === null && p.droppedAt === null,
        change: p.change,
      })),
    ),
    findings: open.findings
      .filter((f) => f.state !== 'closed')
      .map((f) => ({
        at: Date.parse(f.at),
        what: f.text,
        reviewAt: reviewAt(f),
      })),
    judgement,
    live: known.live,
    policies,
    now,
  }
}

const iso = (at: number) => new Date(at).toISOString()

/** A due task as it crosses the wire. */
export const dueRecord = (t: DueTask): DueTaskRecord => ({
  ...t,
  dueAt: iso(t.dueAt),
  lastAt: t.lastAt === null ? null : iso(t.lastAt),
})

/** What is due of a machine, as it crosses the wire. */
export const dueOf = (...facts: Parameters<typeof dueFacts>): DueTaskRecord[] =>
  dueTasks(dueFacts(...facts)).map(dueRecord)
