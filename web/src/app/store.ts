import {
  combineReducers,
  configureStore,
  type EnhancedStore,
  type Reducer,
  type StoreEnhancer,
  type ThunkDispatch,
  type Tuple,
  type UnknownAction,
} from '@reduxjs/toolkit'
import { setupListeners } from '@reduxjs/toolkit/query'
import { api } from './api.ts'
import { look } from './look.ts'

export interface RootState {
  readonly api: ReturnType<typeof api.reducer>
  readonly look: ReturnType<typeof look.reducer>
}
const reducer: Reducer<RootState> = combineReducers({ [api.reducerPath]: api.reducer, look: look.reducer })
export type AppDispatch = ThunkDispatch<RootState, undefined, UnknownAction>

/** Its type is written out: inferred, it would spell out every answer of the API. */
type AppStore = EnhancedStore<
  RootState,
  UnknownAction,
  Tuple<[StoreEnhancer<{ dispatch: AppDispatch }>, StoreEnhancer]>
>

export const store: AppStore = configureStore({
  reducer,
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
