import { z } from 'zod'
import { importQuery, importState } from './import-export.ts'
import { id } from './common.ts'
import { at, byId, raw } from './define-endpoint.ts'

/** Files in and out. */
export const fileEndpoints = {
  startImport: at('startImport', 'post', '/imports', {
    role: 'lead',
    summary: 'Upload a file; every row is checked, nothing is imported yet',
    query: importQuery,
    body: raw,
    bodyType: 'application/octet-stream',
    response: importState,
  }),
  imports: at('imports', 'get', '/imports', {
    role: 'lead',
    summary: 'Latest imports',
    response: z.array(importState),
  }),
  importState: at('importState', 'get', '/imports/{id}', {
    role: 'lead',
    summary: 'Status of an import',
    params: byId,
    response: importState,
  }),
  keepImport: at('keepImport', 'post', '/imports/{id}/keep', {
    role: 'lead',
    confirmed: true,
    summary: 'Import a checked file',
    params: byId,
    response: importState,
  }),
  cancelImport: at('cancelImport', 'delete', '/imports/{id}', {
    role: 'lead',
    summary: 'Cancel an import',
    params: byId,
    response: importState,
  }),
  exportReadings: at('exportReadings', 'get', '/exports/readings.csv', {
    role: 'viewer',
    summary: 'All readings as CSV',
    query: z.strictObject({ site: id.optional(), machine: id.optional() }),
    response: raw,
    responseType: 'text/csv',
  }),
  exportRegister: at('exportRegister', 'get', '/exports/register.csv', {
    role: 'viewer',
    summary: 'Machine list as CSV, one row a machine',
    response: raw,
    responseType: 'text/csv',
  }),
  exportOrganization: at('exportOrganization', 'get', '/exports/organization.json', {
    role: 'lead',
    summary: 'The whole organization as one file',
    response: raw,
    responseType: 'application/json',
  }),
  organizationSchema: at('organizationSchema', 'get', '/exports/organization.schema.json', {
    role: 'anyone',
    summary: 'JSON Schema of that file',
    response: raw,
    responseType: 'application/schema+json',
  }),
}
