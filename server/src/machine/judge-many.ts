import type { Policies } from '@motor-round/core/limits'
import { offThread } from '../run/off-thread.ts'
import type { MachineSnapshot } from './machine-snapshot.ts'
import { standsOf, type Stand } from './stand.ts'

/** So few are judged where they are: to bring them to a thread and back takes as long. */
const few = 4
/** So many go to the thread at once: to hand over more holds up who asks something meanwhile. */
const handful = 20

/** How machines stand, in their order; many are judged by a thread, so that requests are answered meanwhile. */
export async function judgeMany(all: readonly MachineSnapshot[], policies: Policies): Promise<Stand[]> {
  if (all.length <= few) return standsOf({ all, policies })
  const out: Stand[] = []
  for (let i = 0; i < all.length; i += handful)
    out.push(...(await offThread('standsOf', { all: all.slice(i, i + handful), policies })))
  return out
}
