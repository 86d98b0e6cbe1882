import { stockEndpoints } from '@motor-round/contract'
import { api, callsOf } from './api.ts'

/** Calls about parts in stock: loaded with what asks for them. */
export const stockApi = api.injectEndpoints({
  endpoints: (b) => {
    const { get, change } = callsOf(b)
    return {
      stock: get(stockEndpoints.stock, 'stock'),
      stockItem: get(stockEndpoints.stockItem, 'stock'),
      addStockPlace: change(stockEndpoints.addStockPlace, 'stock', 'audit'),
      addStockItem: change(stockEndpoints.addStockItem, 'stock', 'audit'),
      editStockItem: change(stockEndpoints.editStockItem, 'stock', 'audit'),
    }
  },
})
