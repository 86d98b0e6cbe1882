import { configureStore } from '@reduxjs/toolkit'
import { setupListeners } from '@reduxjs/toolkit/query'
import { api } from './api.ts'
import { look } from './look.ts'

export const store = configureStore({
  reducer: { [api.reducerPath]: api.reducer, look: look.reducer },
  middleware: (get) => get().concat(api.middleware),
})
setupListeners(store.dispatch)

export type RootState = ReturnType<typeof store.getState>
