import type { SyncResult } from '@motor-round/contract'
import { and, eq, inArray } from 'drizzle-orm'
import type { Deps } from '../deps.ts'
import { machineStates } from '../db/schema.ts'
import { refresh } from '../machine/refresh.ts'
import type { MachineSnapshot } from '../machine/machine-snapshot.ts'
import { currentPolicies } from '../policies/current.ts'
import { syncedVisit } from '../visits/keep.ts'

/** A visit of a batch that is on record. */
export interface VisitRead {
  readonly n: number
  readonly machineId: string
  readonly visitId: string
}

const takenAt = (known: MachineSnapshot, r: VisitRead): number => {
  const visit = known.visits.find((v) => v.id === r.visitId)
  return visit ? Date.parse(visit.takenAt) : -Infinity
}

/**
 * Judge the machines of a batch, each once.
 * @param again machines of visits that an earlier send of it kept: that one may have ended before it came to judging
 * @returns what is said of each visit that is new, by its `n`
 */
export async function judgeRead(
  deps: Deps,
  read: readonly VisitRead[],
  again: readonly string[],
): Promise<ReadonlyMap<number, Pick<SyncResult, 'judged' | 'others'>>> {
  const said = new Map<number, Pick<SyncResult, 'judged' | 'others'>>()
  if (read.length === 0 && again.length === 0) return said
  await deps.db.transaction(async (tx) => {
    const left =
      again.length === 0
        ? []
        : await tx
            .select({ id: machineStates.machineId })
            .from(machineStates)
            .where(and(inArray(machineStates.machineId, [...again]), eq(machineStates.stale, true)))
    const ids = [...new Set([...read.map((r) => r.machineId), ...left.map((r) => r.id)])]
    const known = new Map((await refresh(tx, ids)).map((k) => [k.machine.id, k]))
    if (read.length === 0) return
    const policies = await currentPolicies(tx)
    const newest = new Map(read.map((r) => [r.machineId, r]))
    for (const r of read) {
      const own = known.get(r.machineId)
      const later = newest.get(r.machineId)
      if (!own || !later) continue
      if (takenAt(own, r) > takenAt(own, later)) newest.set(r.machineId, r)
    }
    for (const r of read) {
      const machine = known.get(r.machineId)
      if (machine) said.set(r.n, await syncedVisit(tx, machine, r.visitId, policies, newest.get(r.machineId) === r))
    }
  })
  return said
}
