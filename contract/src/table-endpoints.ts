import { z } from './z.ts'
import { at, raw } from './define-endpoint.ts'
import { machineListQuery } from './machine-list.ts'
import { tableBody, tableFormat } from './table.ts'

const format = z.strictObject({ format: tableFormat })

export const tableEndpoints = {
  table: at('table', {
    role: 'viewer',
    summary: 'A table as it stands on a screen, as XLSX or CSV',
    params: format,
    body: tableBody,
    response: raw,
    responseType: 'application/octet-stream',
  }),
  machineTable: at('machineTable', {
    role: 'viewer',
    summary: 'All machines of a filter, as XLSX or CSV',
    params: format,
    query: machineListQuery.omit({ offset: true, limit: true }),
    response: raw,
    responseType: 'application/octet-stream',
  }),
}
