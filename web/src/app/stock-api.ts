import { api, callsOf } from './api.ts'

/** Calls about parts in stock: loaded with what asks for them. */
export const stockApi = api.injectEndpoints({
  endpoints: (b) => {
    const { get, change } = callsOf(b)
    return {
      stock: get('stock', 'stock'),
      stockItem: get('stockItem', 'stock'),
      addStockPlace: change('addStockPlace', 'stock', 'audit'),
      addStockItem: change('addStockItem', 'stock', 'audit'),
      editStockItem: change('editStockItem', 'stock', 'audit'),
    }
  },
})
