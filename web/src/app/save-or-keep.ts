import { batchMutation, type Mutation } from '@motor-round/contract'
import { useState } from 'react'
import { useDispatch } from 'react-redux'
import { usePreload } from '../offline/react/use-preload.ts'
import { tryEnqueue, outboxHasPending } from '../offline/core/enqueue.ts'
import { onThisPhone } from '../offline/core/mark.ts'
import { api } from './api.ts'
import type { Failure } from './failure.ts'

/** What is kept here was asked for before: it is shown until something newer comes, also where there is no signal by then. */
async function remember(author: string, mutation: Mutation): Promise<void> {
  const { noteSaved } = await import('../offline/core/synced.ts')
  // It is on the server; a store that refuses keeps nobody from going on.
  await noteSaved(author, mutation).catch(() => undefined)
}

/**
 * Save at once, or keep it on this phone where nobody answers. Where something waits here already it joins the line: what
 * it stands on may be in it.
 */
export function useSaveOrKeep(): {
  /** @returns true when it is saved or kept; false: the call's own error, or `trouble`, says why */
  readonly save: (mutation: Mutation, atOnce: () => Promise<unknown>) => Promise<boolean>
  /** What stands in the way of keeping it on this phone. */
  readonly trouble: string | null
} {
  const me = api.useSessionQuery({}).data?.person?.id ?? ''
  const dispatch = useDispatch()
  const [trouble, setTrouble] = useState<string | null>(null)
  usePreload()
  const enqueue = async (mutation: Mutation): Promise<boolean> => {
    const checked = batchMutation.safeParse({ ...mutation, n: 0 })
    const failed = checked.success
      ? await tryEnqueue(me, [mutation])
      : (checked.error.issues.map((i) => `${i.path.slice(1).join(' ')}: ${i.message}`).at(0) ??
        'It could not be saved on this device.')
    setTrouble(failed)
    if (failed === null) dispatch(api.util.invalidateTags(['machine', 'round', 'places']))
    return failed === null
  }
  return {
    trouble,
    save: async (mutation, atOnce) => {
      setTrouble(null)
      if (await outboxHasPending()) return enqueue(mutation)
      return atOnce().then(
        async () => {
          if (onThisPhone()) await remember(me, mutation)
          return true
        },
        (f: Failure) => (f.noSignal ? enqueue(mutation) : false),
      )
    },
  }
}
