import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import { keepOnDevice } from './device-text.ts'

export type Look = 'day' | 'plant'
const key = 'motor-round-look'

/** Which of the two looks: bright daylight, or the dark plant room. Remembered on this device. */
export const look = createSlice({
  name: 'look',
  initialState: (): { theme: Look } => ({ theme: localStorage.getItem(key) === 'plant' ? 'plant' : 'day' }),
  reducers: {
    setLook(state, action: PayloadAction<Look>) {
      state.theme = action.payload
      // Not remembered where the device keeps nothing: it is chosen again next time.
      keepOnDevice(key, action.payload)
    },
  },
})
export const { setLook } = look.actions
