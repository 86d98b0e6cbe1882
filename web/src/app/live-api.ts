import { api, callsOf } from './api.ts'

/** Calls about live data: loaded with what asks for them. */
export const liveApi = api.injectEndpoints({
  endpoints: (b) => {
    const { get, change } = callsOf(b)
    return {
      live: get('live', 'live'),
      liveNow: get('liveNow', 'live'),
      setOffHours: change('setOffHours', 'live', 'machine', 'machineList', 'audit'),
      liveSources: get('liveSources', 'live'),
      setLivePoint: change('setLivePoint', 'live', 'audit'),
      dropLivePoint: change('dropLivePoint', 'live', 'audit'),
    }
  },
})
