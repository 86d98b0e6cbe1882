import type { MutationBodies, TraceRecord } from '@motor-round/contract'
import { useState } from 'react'
import { useDispatch } from 'react-redux'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { useClock } from '../../app/now.ts'
import { tryEnqueue } from '../../offline/core/enqueue.ts'

type Without<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never
/** A step without what every step has. */
export type Said = Without<MutationBodies['trace-step'], 'id' | 'traceId' | 'machineId' | 'at'>

/** Write down what happened in a trace; kept on this phone at once, with or without a signal. */
export function useStep(trace: TraceRecord): {
  readonly say: (...said: readonly Said[]) => Promise<boolean>
  readonly trouble: string | null
} {
  const me = api.useSessionQuery({}).data?.person?.id ?? ''
  const clock = useClock()
  const dispatch = useDispatch()
  const [trouble, setTrouble] = useState<string | null>(null)
  const say = async (...said: readonly Said[]): Promise<boolean> => {
    const at = clock()
    const failed = await tryEnqueue(
      me,
      said.map((s, i) => ({
        kind: 'trace-step' as const,
        // In the order in which they were said, also within the same instant.
        body: {
          ...s,
          id: uuid(),
          traceId: trace.id,
          machineId: trace.machineId,
          at: new Date(at + i).toISOString(),
        },
      })),
    )
    setTrouble(failed)
    if (failed === null) dispatch(api.util.invalidateTags(['machine']))
    return failed === null
  }
  return { say, trouble }
}
