import type { StockItem } from '@motor-round/contract'
import type { StockLevel } from '@motor-round/core/stock'

/** A level of the API as core takes it. */
export const coreLevel = ({ placeId: _place, held, ...l }: StockItem['levels'][number]): StockLevel => ({
  ...l,
  held: new Map(held.map((h) => [h.jobId, h.count])),
})
