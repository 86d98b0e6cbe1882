import { fileEndpoints } from '@motor-round/contract'
import { api, callsOf } from './api.ts'

/** Calls about files in and out: loaded with what asks for them. */
export const filesApi = api.injectEndpoints({
  endpoints: (b) => {
    const { get, change } = callsOf(b)
    return {
      imports: get(fileEndpoints.imports, 'imports'),
      importState: get(fileEndpoints.importState),
      keepImport: change(fileEndpoints.keepImport, 'imports', 'machineList', 'machine', 'places'),
      cancelImport: change(fileEndpoints.cancelImport, 'imports'),
    }
  },
})
