import { batchMutation, dependsOn, provides, type Person, type SyncResult } from '@motor-round/contract'
import type { Deps } from '../deps.ts'
import { foreseen } from '../http/errors.ts'
import { HttpProblem, invalid } from '../http/problem.ts'
import { applyMutation } from './handlers.ts'
import { judgeRead, type VisitRead } from './judge-read.ts'

const rejectedBy = (n: number, p: HttpProblem): SyncResult => ({
  n,
  outcome: 'rejected',
  problem: {
    detail: p.problem.detail ?? p.problem.title,
    errors: p.problem.errors ?? [],
    ...(p.problem.current === undefined ? {} : { current: p.problem.current }),
  },
  judged: null,
  others: [],
})

/**
 * Apply a batch in its order, each mutation in a transaction of its own: what is answered is kept, and what is sent again
 * is applied once. One that is wrong is rejected alone and blocks only what depends on it. Anything that is not the
 * mutation's fault is thrown: the device keeps all that was not answered, and sends it again.
 */
export async function applyBatch(
  deps: Deps,
  mutations: readonly { readonly n: number }[],
  person: Person,
): Promise<SyncResult[]> {
  const rejected = new Set<string>()
  const out: SyncResult[] = []
  const read: VisitRead[] = []
  const again: string[] = []
  for (const raw of mutations) {
    const parsed = batchMutation.safeParse(raw)
    if (!parsed.success) {
      out.push(rejectedBy(raw.n, invalid(parsed.error)))
      continue
    }
    const mutation = parsed.data
    if (dependsOn(mutation).some((id) => rejected.has(id))) {
      for (const id of provides(mutation)) rejected.add(id)
      out.push({ n: mutation.n, outcome: 'blocked', problem: null, judged: null, others: [] })
      continue
    }
    try {
      const done = await deps.db.transaction((tx) => applyMutation(tx, mutation, person, deps.now()))
      out.push({ n: mutation.n, problem: null, ...done })
      if (mutation.kind !== 'visit') continue
      const { machineId, id: visitId } = mutation.body
      if (done.outcome === 'applied') read.push({ n: mutation.n, machineId, visitId })
      else again.push(machineId)
    } catch (e) {
      const problem = foreseen(e)
      // Not signed in, too many at once, no database: nothing is wrong with the mutation.
      if (!problem || ![404, 409, 422].includes(problem.problem.status)) throw e
      for (const id of provides(mutation)) rejected.add(id)
      out.push(rejectedBy(mutation.n, problem))
    }
  }
  const said = await judgeRead(deps, read, again)
  return out.map((r) => ({ ...r, ...said.get(r.n) }))
}
