import type { SyncResult } from '@motor-round/contract'
import { and, eq, inArray } from 'drizzle-orm'
import type { Deps } from '../deps.ts'
import { machineStates } from '../db/schema.ts'
import { refresh } from '../machine/refresh.ts'
import { currentPolicies } from '../policies/current.ts'
import { judgedVisit } from '../visits/keep.ts'

/** A visit of a batch that is on record. */
export interface VisitRead {
  readonly n: number
  readonly machineId: string
  readonly visitId: string
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
    for (const r of read) {
      const machine = known.get(r.machineId)
      if (!machine) continue
      const { judgement, others } = await judgedVisit(tx, machine, r.visitId, policies)
      said.set(r.n, { judged: judgement && { level: judgement.level, headline: judgement.headline }, others })
    }
  })
  return said
}
