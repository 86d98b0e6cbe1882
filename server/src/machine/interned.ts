import type { VisitRecord } from '@motor-round/contract'
import { LRUCache } from 'lru-cache'
import type { MachineSnapshot } from './machine-snapshot.ts'

/** As many machines as a large batch touches; each holds its visits and what judging worked out of them. */
const most = 200
/** What was loaded of a machine last, and under which version; that is undefined where it had none. */
const kept = new LRUCache<string, { readonly version: string | undefined; readonly snapshot: MachineSnapshot }>({
  max: most,
})

const versions = new WeakMap<MachineSnapshot, string>()

/** The version that a machine was loaded under; undefined where it had none. */
export const versionOf = (snapshot: MachineSnapshot): string | undefined => versions.get(snapshot)

const keep = (version: string | undefined, snapshot: MachineSnapshot): void => {
  kept.set(snapshot.machine.id, { version, snapshot })
  if (version !== undefined) versions.set(snapshot, version)
}

const texts = new WeakMap<object, string>()
/** A value as text, put together once for each object. */
export function textOf(value: object): string {
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
  new Map(kept.get(machineId)?.snapshot.visits.map((v) => [v.id, v]))

/** A machine as it was loaded under this version; undefined where that is not what was loaded last. */
export function heldSnapshot(machineId: string, version: string): MachineSnapshot | undefined {
  const last = kept.get(machineId)
  return last?.version === version ? last.snapshot : undefined
}

/**
 * A snapshot in which what has not changed since it was loaded last is the same object. Judging keeps by the object what it
 * worked out of each visit, so that of a known past only what is new is judged.
 * @param version the version it was read under
 */
export function interned(version: string | undefined, now: MachineSnapshot): MachineSnapshot {
  const before = kept.get(now.machine.id)?.snapshot
  const snapshot: MachineSnapshot = {
    ...now,
    machine: sameOr(before?.machine, now.machine),
    motors: sameOr(before?.motors, now.motors),
    parts: sameOr(before?.parts, now.parts),
    work: sameOr(before?.work, now.work),
  }
  keep(version, snapshot)
  return snapshot
}

/** A held machine beside the loads that its twins have now. */
export function withTwins(held: MachineSnapshot, twins: MachineSnapshot['twins']): MachineSnapshot {
  if (textOf(held.twins) === textOf(twins)) return held
  const snapshot = { ...held, twins }
  if (kept.get(held.machine.id)?.snapshot === held) keep(versionOf(held), snapshot)
  return snapshot
}
