import type { Machine, Motor, PartRecord, VisitRecord, WorkRecord } from '@motor-round/contract'
import { LRUCache } from 'lru-cache'

/** What judging takes of a snapshot by its objects. */
interface Parts {
  readonly machine: Machine
  readonly motors: readonly Motor[]
  readonly parts: readonly PartRecord[]
  readonly work: readonly WorkRecord[]
  readonly visits: readonly VisitRecord[]
}

/** As many machines as a large batch touches; each holds its visits and what judging worked out of them. */
const most = 200
const kept = new LRUCache<string, Parts>({ max: most })

const texts = new WeakMap<object, string>()
function textOf(value: object): string {
  const known = texts.get(value)
  if (known !== undefined) return known
  const made = JSON.stringify(value)
  texts.set(value, made)
  return made
}
const sameOr = <T extends object>(before: T | undefined, now: T): T =>
  before !== undefined && textOf(before) === textOf(now) ? before : now

/** The visits of a machine as they were loaded last, by their ids. */
export const knownVisits = (machineId: string): ReadonlyMap<string, VisitRecord> =>
  new Map(kept.get(machineId)?.visits.map((v) => [v.id, v]))

/**
 * A snapshot in which what has not changed since it was loaded last is the same object. Judging keeps by the object what it
 * worked out of each visit, so that of a known past only what is new is judged.
 */
export function interned<S extends Parts>(now: S): S {
  const before = kept.get(now.machine.id)
  const whole: S = {
    ...now,
    machine: sameOr(before?.machine, now.machine),
    motors: sameOr(before?.motors, now.motors),
    parts: sameOr(before?.parts, now.parts),
    work: sameOr(before?.work, now.work),
  }
  kept.set(now.machine.id, whole)
  return whole
}
