import type { MutationBodies } from '@motor-round/contract'
import { useState } from 'react'
import { useDispatch } from 'react-redux'
import { v7 as uuid } from 'uuid'
import { useEffect } from 'react'
import { api } from '../../app/api.ts'
import { stockApi } from '../../app/stock-api.ts'
import { useClock } from '../../app/now.ts'
import { tryEnqueue } from '../../offline/core/enqueue.ts'

type Move = Omit<MutationBodies['stock-move'], 'id' | 'at'>

/** The stock, kept on this phone from its first look on; and a way to write down what happened to a piece. */
export function useStock() {
  const query = stockApi.useStockQuery({})
  const me = api.useSessionQuery({}).data?.person?.id ?? ''
  const clock = useClock()
  const dispatch = useDispatch()
  const [trouble, setTrouble] = useState<string | null>(null)
  useEffect(() => {
    const keep = async () => (await import('../../offline/core/snapshot.ts')).downloadStock()
    keep().catch(() => undefined)
  }, [])
  const say = async (...moves: readonly Move[]): Promise<boolean> => {
    const at = new Date(clock()).toISOString()
    const failed = await tryEnqueue(
      me,
      moves.map((m) => ({ kind: 'stock-move' as const, body: { ...m, id: uuid(), at } })),
    )
    setTrouble(failed)
    if (failed === null) dispatch(api.util.invalidateTags(['stock']))
    return failed === null
  }
  return { query, stock: query.data, say, trouble }
}
export type SayMove = ReturnType<typeof useStock>['say']
