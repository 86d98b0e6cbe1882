import { visitsAround, wholeAmps } from '@motor-round/core/speed-change'
import { turnsAt } from '@motor-round/core/installed'
import type { z } from 'zod'
import type { partBody, PartRecord } from './installed.ts'
import type { SpeedChangeRecord } from './speed-change.ts'
import type { Machine, Motor } from './register.ts'
import type { VisitRecord, workBody, WorkRecord } from './visit.ts'
import { corePart, coreVisit, workOf } from './to-core.ts'

/** What is known of a machine that a plan is of. */
interface Known {
  readonly machine: Pick<Machine, 'phases'>
  readonly motors: readonly Pick<Motor, 'plate' | 'connectionVolts' | 'installedAt' | 'removedAt'>[]
  readonly parts: readonly PartRecord[]
  readonly work: readonly WorkRecord[]
}

/** A plan that was done, as what it is: turns or hertz are work, sheaves and belts are parts installed. */
export interface SpeedChangeDone {
  readonly work: Omit<z.output<typeof workBody>, 'machineId'> | null
  readonly fits: readonly (Pick<z.output<typeof partBody>, 'id' | 'part' | 'why'> & {
    readonly removedFor: 'other'
    readonly removedWhy: string
  })[]
  /** Where the motor stands now: a belt that is taut again says so, mm. */
  readonly center: number | null
}

/**
 * What doing a plan comes to on a machine as it stands.
 * @throws RangeError with words, when what it changes is not on record any more
 */
export function speedChangeDone(
  known: Known,
  speedChange: Pick<SpeedChangeRecord, 'change' | 'predicted'>,
  how: { readonly id: string; readonly beltsId: string; readonly doneAt: string; readonly note: string },
): SpeedChangeDone {
  const { change, predicted } = speedChange
  const work = { id: how.id, doneAt: how.doneAt, note: how.note }
  if (change.kind === 'hertz') return { work: { ...work, kind: 'speed-set' }, fits: [], center: null }
  const inPlace = (slot: PartRecord['part']['slot']) =>
    known.parts.find((p) => p.part.slot === slot && p.removedAt === null)?.part
  const belts = inPlace('belts')
  const newBelts =
    predicted.newBelt && belts?.slot === 'belts'
      ? [
          {
            id: how.beltsId,
            part: { slot: 'belts' as const, spec: { ...belts.spec, ...predicted.newBelt } },
            why: how.note,
            removedFor: 'other' as const,
            removedWhy: 'too short or too long for the new sheave',
          },
        ]
      : []
  if (change.kind === 'turns') {
    const before = turnsAt(known.parts.map(corePart), workOf(known), Date.parse(how.doneAt))
    if (before === null) throw new RangeError('The motor no longer has an adjustable sheave.')
    const turned = { ...work, kind: 'sheave-turned' as const, turns: { before, after: change.turns } }
    return { work: turned, fits: newBelts, center: predicted.center }
  }
  const slot = change.kind === 'motor sheave' ? 'motor-sheave' : 'driven-sheave'
  const old = inPlace(slot)
  if (!old || !('section' in old.spec)) throw new RangeError('That sheave is no longer installed.')
  const grooves = 'grooves' in old.spec ? old.spec.grooves : 1
  const spec = { type: 'fixed' as const, section: old.spec.section, pitch: change.pitch, grooves }
  const sheave = {
    id: how.id,
    part: { slot, spec },
    why: how.note,
    removedFor: 'other',
    removedWhy: 'changed for another speed',
  } as const
  return { work: null, fits: [sheave, ...newBelts], center: predicted.center }
}

/** What came of a plan that was done: the first comparable stop after it. */
export function measuredAfter(
  known: Known & { readonly visits: readonly VisitRecord[] },
  doneAt: string | null,
): SpeedChangeRecord['measured'] {
  if (doneAt === null) return null
  const { phases } = known.machine
  const visits = known.visits.filter((s) => s.supersededBy === null).map(coreVisit)
  const { after } = visitsAround(visits, workOf(known), Date.parse(doneAt), phases)
  const amps = after && wholeAmps(after, phases)
  return after && amps !== null ? { visitId: after.id, at: new Date(after.at).toISOString(), amps } : null
}
