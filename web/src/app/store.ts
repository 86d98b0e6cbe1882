import { configureStore } from '@reduxjs/toolkit'
import { setupListeners } from '@reduxjs/toolkit/query'
import { api } from './api.ts'
import { look } from './look.ts'

export const store = configureStore({
  reducer: { [api.reducerPath]: api.reducer, look: look.reducer },
  // Both checks run in development alone, where a busy machine is no news.
  middleware: (get) =>
    get({ serializableCheck: { warnAfter: 500 }, immutableCheck: { warnAfter: 500 } }).concat(api.middleware),
})
setupListeners(store.dispatch)

// The page takes on the look before anything is drawn in it: drawings on a canvas read its colors while they render.
const paint = () => {
  document.documentElement.dataset['theme'] = store.getState().look.theme
}
paint()
store.subscribe(paint)

export type AppDispatch = typeof store.dispatch
export type RootState = ReturnType<typeof store.getState>
