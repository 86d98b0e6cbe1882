import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import { keepOnDevice } from './device-text.ts'

export type Look = 'light' | 'dark'
const key = 'motor-round-look'

/** Which of the two themes: light for a roof at noon, dark for a plant room. Remembered on this device. */
export const look = createSlice({
  name: 'look',
  initialState: (): { theme: Look } => ({ theme: localStorage.getItem(key) === 'dark' ? 'dark' : 'light' }),
  reducers: {
    setLook(state, action: PayloadAction<Look>) {
      state.theme = action.payload
      // Not remembered where the device keeps nothing: it is chosen again next time.
      keepOnDevice(key, action.payload)
    },
  },
})
export const { setLook } = look.actions
