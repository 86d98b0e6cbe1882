import { judgeInput, judgeNow, type TwinLoad } from '@motor-round/contract'
import { judge, type Judgement } from '@motor-round/core/judge'
import type { Policies } from '@motor-round/core/limits'
import type { Visit } from '@motor-round/core/trend'
import type { MachineSnapshot } from './machine-snapshot.ts'

/** Judge one visit of a machine with all that is known. */
export const judgeVisit = (known: MachineSnapshot, visit: Visit, policies: Policies): Judgement =>
  judge(judgeInput({ ...known, policies }, visit))

/** A machine as it stands now, with everything that is open; null while nobody visited it. */
export const judgeStanding = (known: MachineSnapshot, policies: Policies): Judgement | null =>
  judgeNow({ ...known, policies })

const last = new WeakMap<
  MachineSnapshot,
  { readonly peers: string; readonly policies: Policies; judgement: Judgement | null }
>()

/** The same with what others of its kind carry. Kept by the snapshot: a page that is looked at again is not judged again. */
export function judgeAmong(known: MachineSnapshot, peers: readonly TwinLoad[], policies: Policies): Judgement | null {
  const text = JSON.stringify(peers)
  const before = last.get(known)
  if (before?.peers === text && before.policies === policies) return before.judgement
  const judgement = judgeStanding({ ...known, peers }, policies)
  last.set(known, { peers: text, policies, judgement })
  return judgement
}
