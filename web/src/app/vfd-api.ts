import { vfdEndpoints } from '@motor-round/contract'
import { api, callsOf } from './api.ts'

/** Calls about drives: loaded with what asks for them. */
export const vfdApi = api.injectEndpoints({
  endpoints: (b) => {
    const { get, change } = callsOf(b)
    return {
      vfdProfiles: get(vfdEndpoints.vfdProfiles, 'vfd'),
      addVfdProfile: change(vfdEndpoints.addVfdProfile, 'vfd', 'audit'),
      vfd: get(vfdEndpoints.vfd, 'vfd'),
      setVfdLink: change(vfdEndpoints.setVfdLink, 'vfd', 'audit'),
      dropVfdLink: change(vfdEndpoints.dropVfdLink, 'vfd', 'audit'),
      readVfd: change(vfdEndpoints.readVfd),
      keepVfdSettings: change(vfdEndpoints.keepVfdSettings, 'vfd', 'machine', 'machineList'),
      writeVfdSetting: change(vfdEndpoints.writeVfdSetting, 'vfd', 'machine', 'machineList', 'audit'),
    }
  },
})
