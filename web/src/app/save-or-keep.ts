import { syncEntry } from '@motor-round/contract'
import { useState } from 'react'
import { useDispatch } from 'react-redux'
import { useKeepingAhead } from '../offline/ahead.ts'
import { keep, somethingWaits } from '../offline/keep.ts'
import type { Fact } from '../offline/store.ts'
import { api } from './api.ts'
import type { Failure } from './failure.ts'

/**
 * Save at once, or keep it on this phone where nobody answers. Where something waits here already it joins the line: what
 * it stands on may be in it.
 */
export function useSaveOrKeep(): {
  /** @returns true when it is saved or kept; false: the call's own error, or `trouble`, says why */
  readonly save: (fact: Fact, atOnce: () => Promise<unknown>) => Promise<boolean>
  /** What stands in the way of keeping it on this phone. */
  readonly trouble: string | null
} {
  const me = api.useSessionQuery({}).data?.person?.id ?? ''
  const dispatch = useDispatch()
  const [trouble, setTrouble] = useState<string | null>(null)
  useKeepingAhead()
  const keepHere = async (fact: Fact): Promise<boolean> => {
    const checked = syncEntry.safeParse({ ...fact, n: 0 })
    const failed = checked.success
      ? await keep(me, [fact])
      : (checked.error.issues.map((i) => `${i.path.slice(1).join(' ')}: ${i.message}`).at(0) ??
        'It could not be saved on this device.')
    setTrouble(failed)
    if (failed === null) dispatch(api.util.invalidateTags(['machine', 'round', 'places']))
    return failed === null
  }
  return {
    trouble,
    save: async (fact, atOnce) => {
      setTrouble(null)
      if (await somethingWaits()) return keepHere(fact)
      return atOnce().then(
        () => true,
        (f: Failure) => (f.noSignal ? keepHere(fact) : false),
      )
    },
  }
}
