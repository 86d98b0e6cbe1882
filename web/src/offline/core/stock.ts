import { stockMoveBody, type Stock, type StockItem } from '@motor-round/contract'
import { stockLevels, type StockLevel, type StockMove } from '@motor-round/core/stock'
import type { QueuedMutation } from './store.ts'

/** A level of the API as core takes it. */
export const coreLevel = ({ placeId: _place, held, ...l }: StockItem['levels'][number]): StockLevel => ({
  ...l,
  held: new Map(held.map((h) => [h.jobId, h.count])),
})

/** The stock with what still waits in the outbox: what was taken here is not on the shelf any more. */
export function stockWithMutations(stock: Stock, outbox: readonly QueuedMutation[]): Stock {
  const moves = outbox.flatMap((w): StockMove[] => {
    const body = w.kind === 'stock-move' && w.status === 'pending' ? stockMoveBody.safeParse(w.body).data : undefined
    return body ? [{ ...body, at: Date.parse(body.at), by: '' }] : []
  })
  if (moves.length === 0) return stock
  return {
    ...stock,
    items: stock.items.map((item) => {
      const own = moves.filter((m) => m.itemId === item.id)
      if (own.length === 0) return item
      const start = new Map(item.levels.map((l) => [l.placeId, coreLevel(l)]))
      const levels = [...stockLevels(own, start)].map(([placeId, { held, ...l }]) => ({
        placeId,
        ...l,
        held: [...held].map(([jobId, count]) => ({ jobId, count })),
      }))
      return { ...item, levels }
    }),
  }
}
