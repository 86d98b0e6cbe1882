import { z } from './z.ts'
import { importQuery, importState } from './import-export.ts'
import { id } from './common.ts'
import { at, byId, raw } from './define-endpoint.ts'

/** Files in and out. */
export const fileEndpoints = {
  startImport: at('startImport', {
    role: 'lead',
    summary: 'Upload a file; every row is checked, nothing is imported yet',
    query: importQuery,
    body: raw,
    bodyType: 'application/octet-stream',
    response: importState,
  }),
  imports: at('imports', {
    role: 'lead',
    summary: 'Latest imports',
    response: z.array(importState),
  }),
  importState: at('importState', {
    role: 'lead',
    summary: 'Status of an import',
    params: byId,
    response: importState,
  }),
  keepImport: at('keepImport', {
    role: 'lead',
    confirmed: true,
    summary: 'Import a checked file',
    params: byId,
    response: importState,
  }),
  cancelImport: at('cancelImport', {
    role: 'lead',
    summary: 'Cancel an import',
    params: byId,
    response: importState,
  }),
  exportReadings: at('exportReadings', {
    role: 'viewer',
    summary: 'All readings as CSV',
    query: z.strictObject({ site: id.optional(), machine: id.optional() }),
    response: raw,
    responseType: 'text/csv',
  }),
  exportRegister: at('exportRegister', {
    role: 'viewer',
    summary: 'Machine list as CSV, one row a machine',
    response: raw,
    responseType: 'text/csv',
  }),
  exportOrganization: at('exportOrganization', {
    role: 'lead',
    summary: 'The whole organization as one file',
    response: raw,
    responseType: 'application/json',
  }),
  organizationSchema: at('organizationSchema', {
    role: 'anyone',
    summary: 'JSON Schema of that file',
    response: raw,
    responseType: 'application/schema+json',
  }),
}
