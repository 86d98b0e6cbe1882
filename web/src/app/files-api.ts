import { api, callsOf } from './api.ts'

/** Calls about files in and out: loaded with what asks for them. */
export const filesApi = api.injectEndpoints({
  endpoints: (b) => {
    const { get, change } = callsOf(b)
    return {
      imports: get('imports', 'imports'),
      importState: get('importState'),
      keepImport: change('keepImport', 'imports', 'machineList', 'machine', 'places'),
      cancelImport: change('cancelImport', 'imports'),
    }
  },
})
