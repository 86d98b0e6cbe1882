import * as core from '@motor-round/core/speed-change'
import type { z } from 'zod'
import type { partBody, PartRecord } from './installed.ts'
import type { Machine, Motor } from './register.ts'
import type { SpeedChangeRecord } from './speed-change.ts'
import { corePart, coreVisit, workOf } from './to-core.ts'
import type { VisitRecord, workBody, WorkRecord } from './visit.ts'

/** What is known of a machine that a speed change is of. */
interface Known {
  readonly machine: Pick<Machine, 'phases'>
  readonly motors: readonly Pick<Motor, 'plate' | 'connectionVolts' | 'installedAt' | 'removedAt'>[]
  readonly parts: readonly PartRecord[]
  readonly work: readonly WorkRecord[]
}

/** A speed change that was done, as the records that are kept of it. */
interface SpeedChangeDone {
  readonly work: Omit<z.output<typeof workBody>, 'machineId'> | null
  readonly fits: readonly (Pick<z.output<typeof partBody>, 'id' | 'part' | 'why'> & {
    readonly removedFor: 'other'
    readonly removedWhy: string
  })[]
  /** mm */
  readonly center: number | null
}

/**
 * The records that doing a speed change comes to on a machine as it stands.
 * @param how `id`: of the work or of the sheave; `beltsId`: of the belt set, where it needs one
 * @throws RangeError with words, when what it changes is not on record any more
 */
export function speedChangeDone(
  known: Known,
  { change, predicted }: Pick<SpeedChangeRecord, 'change' | 'predicted'>,
  how: { readonly id: string; readonly beltsId: string; readonly doneAt: string; readonly note: string },
): SpeedChangeDone {
  const { id, doneAt, note } = how
  const done = core.speedChangeDone(
    { parts: known.parts.map(corePart), work: workOf(known) },
    { change, newBelt: predicted.newBelt, center: predicted.center },
    Date.parse(doneAt),
  )
  const fit = (own: string, installing: typeof done.sheave | typeof done.belts) =>
    installing === null ? [] : [{ id: own, why: note, removedFor: 'other' as const, ...installing }]
  return {
    work: done.work && { ...done.work, id, doneAt, note },
    fits: [...fit(id, done.sheave), ...fit(how.beltsId, done.belts)],
    center: done.center,
  }
}

/** What came of a speed change that was done: the first comparable visit after it. */
export function measuredAfter(
  known: Known & { readonly visits: readonly VisitRecord[] },
  doneAt: string | null,
): SpeedChangeRecord['measured'] {
  if (doneAt === null) return null
  const visits = known.visits.filter((s) => s.supersededBy === null).map(coreVisit)
  const found = core.measuredAfter(visits, workOf(known), Date.parse(doneAt), known.machine.phases)
  return found && { visitId: found.visit.id, at: new Date(found.visit.at).toISOString(), amps: found.amps }
}
