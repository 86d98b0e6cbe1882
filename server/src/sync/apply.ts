import { makes, standsOn, syncEntry, type Person, type SyncEntry, type SyncResult } from '@motor-round/contract'
import type { Deps } from '../deps.ts'
import type { Tx } from '../db/client.ts'
import { HttpProblem, invalid } from '../http/problem.ts'
import { keepClosing } from '../conditions/keep.ts'
import { keepFinding, keepFindingStep } from '../findings/keep.ts'
import { keepPicture } from '../pictures/keep.ts'
import { foreseen } from '../http/errors.ts'
import { keepSpeedChange, keepSpeedChangeDone } from '../speed-changes/keep.ts'
import { keepRoofMap } from '../register/roof-map.ts'
import { keepMotor, keepPlate } from '../register/keep-motor.ts'
import { keepPart } from '../register/parts.ts'
import { keepVisit, keepWork } from '../visits/keep.ts'
import { keepEvent } from './event.ts'
import { keepFound } from './found.ts'

type Kept = Pick<SyncResult, 'outcome' | 'judgement' | 'others'>
const kept = (fresh: boolean): Kept => ({ outcome: fresh ? 'kept' : 'already', judgement: null, others: [] })

async function apply(tx: Tx, entry: SyncEntry, person: Person, now: Date): Promise<Kept> {
  switch (entry.kind) {
    case 'found':
      return kept(await keepFound(tx, entry.body, person.name, now))
    case 'picture':
      return kept(await keepPicture(tx, entry.body, person.name))
    case 'event':
      return kept(await keepEvent(tx, entry.body, person.name, now))
    case 'finding':
      return kept(await keepFinding(tx, entry.body, person.name))
    case 'finding-step':
      return kept(await keepFindingStep(tx, entry.body, person.name))
    case 'closing':
      return kept(await keepClosing(tx, entry.body, person.name))
    case 'motor':
      return kept((await keepMotor(tx, entry.body, person.name, now)).fresh)
    case 'plate': {
      const { id: changeId, motorId, ...body } = entry.body
      return kept((await keepPlate(tx, motorId, { ...body, changeId }, person.name, now)).fresh)
    }
    case 'part':
      return kept((await keepPart(tx, entry.body, person.name, now)).fresh)
    case 'speed-change':
      return kept((await keepSpeedChange(tx, entry.body, person.name, now)).fresh)
    case 'speed-change-done':
      return kept((await keepSpeedChangeDone(tx, entry.body.speedChangeId, entry.body, person.name, now)).fresh)
    case 'roof-map': {
      const { id: changeId, areaId, ...body } = entry.body
      return kept(await keepRoofMap(tx, areaId, { ...body, changeId }, person.name, now))
    }
    case 'work':
      return kept(!(await keepWork(tx, entry.body, person, now)).already)
    case 'visit': {
      const { already, judgement, others } = await keepVisit(tx, entry.body, person, now)
      return { outcome: already ? 'already' : 'kept', judgement, others }
    }
  }
}

const refusedBy = (n: number, p: HttpProblem): SyncResult => ({
  n,
  outcome: 'refused',
  problem: {
    detail: p.problem.detail ?? p.problem.title,
    errors: p.problem.errors ?? [],
    ...(p.problem.current === undefined ? {} : { current: p.problem.current }),
  },
  judgement: null,
  others: [],
})

/**
 * Keep what a phone brings, in its order, each entry in a transaction of its own: what is answered is kept, and what is
 * sent again is kept once. An entry that is wrong is answered so and holds back only what stands on it. Anything that is
 * not the entry's fault is thrown: the phone keeps all that was not answered, and comes again.
 */
export async function bringHome(
  deps: Deps,
  entries: readonly { readonly n: number }[],
  person: Person,
): Promise<SyncResult[]> {
  const refused = new Set<string>()
  const out: SyncResult[] = []
  for (const raw of entries) {
    const parsed = syncEntry.safeParse(raw)
    if (!parsed.success) {
      out.push(refusedBy(raw.n, invalid(parsed.error)))
      continue
    }
    const entry = parsed.data
    if (standsOn(entry).some((id) => refused.has(id))) {
      for (const id of makes(entry)) refused.add(id)
      out.push({ n: entry.n, outcome: 'held', problem: null, judgement: null, others: [] })
      continue
    }
    try {
      const done = await deps.db.transaction((tx) => apply(tx, entry, person, deps.now()))
      out.push({ n: entry.n, problem: null, ...done })
    } catch (e) {
      const problem = foreseen(e)
      // Not signed in, too many at once, no database: nothing is wrong with the entry.
      if (!problem || ![404, 409, 422].includes(problem.problem.status)) throw e
      for (const id of makes(entry)) refused.add(id)
      out.push(refusedBy(entry.n, problem))
    }
  }
  return out
}
