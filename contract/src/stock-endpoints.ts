import { z } from './z.ts'
import { id, version } from './common.ts'
import { at, byId } from './define-endpoint.ts'
import { stock, stockItem, stockItemBody, stockMove, stockPlace, stockPlaceBody } from './stock.ts'

export const stockEndpoints = {
  stock: at('stock', {
    role: 'viewer',
    summary: 'What parts lie where, what is held by jobs, and what to keep',
    response: stock,
  }),
  stockItem: at('stockItem', {
    role: 'viewer',
    summary: 'What happened to an item of stock, newest first, and the machines that take it',
    params: byId,
    response: z.object({
      moves: z.array(stockMove),
      /** Machines that take it, so many at once. */
      machines: z.array(z.object({ id, unitTag: z.string(), tag: z.string(), takes: z.int() })),
    }),
  }),
  addStockPlace: at('addStockPlace', {
    role: 'mechanic',
    summary: 'Add a shop, a van, a cage or a supplier’s shelf',
    body: stockPlaceBody,
    response: stockPlace,
  }),
  addStockItem: at('addStockItem', {
    role: 'mechanic',
    summary: 'Add an item of stock',
    body: stockItemBody,
    response: stockItem,
  }),
  editStockItem: at('editStockItem', {
    role: 'mechanic',
    summary: 'Change an item of stock',
    params: byId,
    body: stockItemBody.safeExtend({ version }),
    response: stockItem,
  }),
}
