import { api, callsOf } from './api.ts'

/** Calls about drives: loaded with what asks for them. */
export const vfdApi = api.injectEndpoints({
  endpoints: (b) => {
    const { get, change } = callsOf(b)
    return {
      vfdProfiles: get('vfdProfiles', 'vfd'),
      addVfdProfile: change('addVfdProfile', 'vfd', 'audit'),
      vfd: get('vfd', 'vfd'),
      setVfdLink: change('setVfdLink', 'vfd', 'audit'),
      dropVfdLink: change('dropVfdLink', 'vfd', 'audit'),
      readVfd: change('readVfd'),
      keepVfdSettings: change('keepVfdSettings', 'vfd', 'machine', 'machineList'),
      writeVfdSetting: change('writeVfdSetting', 'vfd', 'machine', 'machineList', 'audit'),
    }
  },
})
