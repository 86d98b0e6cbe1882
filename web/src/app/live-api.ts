import { liveEndpoints } from '@motor-round/contract'
import { api, callsOf } from './api.ts'

/** Calls about live data: loaded with what asks for them. */
export const liveApi = api.injectEndpoints({
  endpoints: (b) => {
    const { get, change } = callsOf(b)
    return {
      live: get(liveEndpoints.live, 'live'),
      liveNow: get(liveEndpoints.liveNow, 'live'),
      setOffHours: change(liveEndpoints.setOffHours, 'live', 'machine', 'machineList', 'audit'),
      liveSources: get(liveEndpoints.liveSources, 'live'),
      setLivePoint: change(liveEndpoints.setLivePoint, 'live', 'audit'),
      dropLivePoint: change(liveEndpoints.dropLivePoint, 'live', 'audit'),
    }
  },
})
