import type { StockItem, StockMoveRecord } from '@motor-round/contract'
import { show } from '@motor-round/core/quantity'

export const moveWords: Readonly<Record<StockMoveRecord['kind'], string>> = {
  taken: 'Taken',
  received: 'Received',
  returned: 'Put back',
  counted: 'Counted',
  moved: 'Moved',
  bad: 'Marked bad',
  reserved: 'Held for a job',
  released: 'No longer held',
}
export const placeWords = { shop: 'Shop', van: 'Van', cage: 'Site cage', supplier: 'Supplier’s shelf' } as const

export const freeOf = (item: StockItem): number => item.levels.reduce((sum, l) => sum + l.free, 0)
export const onHandOf = (item: StockItem): number => item.levels.reduce((sum, l) => sum + l.onHand, 0)
/** Less is free than is to be kept. */
export const isLow = (item: StockItem): boolean => freeOf(item) < item.wantMin
/** So many to order. */
export const toOrder = (item: StockItem): number => Math.max(0, item.wantMax - freeOf(item))
/** More was taken than was there by the record. */
export const inDoubt = (item: StockItem): boolean => item.levels.some((l) => l.doubt)
export const pieces = (n: number): string => show.count(n, 'piece')
