import { endpoints } from '@motor-round/contract'
import type { Router } from 'express'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { sendFile } from '../http/send-file.ts'
import { recordCsv, recordOf } from './record.ts'
import { recordPdf } from './record-pdf.ts'
import { reportPdf } from './report.ts'

/** A round as files: the page for the person who pays, and the full record. */
export function roundFileRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.roundReport, async ({ params, res }) =>
    sendFile(res, 'application/pdf', 'round-report.pdf', await reportPdf(deps.db, await recordOf(deps.db, params.id))),
  )
  mount(router, deps, endpoints.roundRecordPdf, async ({ params, res }) =>
    sendFile(res, 'application/pdf', 'round-record.pdf', await recordPdf(await recordOf(deps.db, params.id))),
  )
  mount(router, deps, endpoints.roundRecordCsv, async ({ params, res }) =>
    sendFile(res, 'text/csv; charset=utf-8', 'round-record.csv', recordCsv(await recordOf(deps.db, params.id))),
  )
  mount(router, deps, endpoints.roundRecordJson, async ({ params, res }) =>
    sendFile(res, 'application/json', 'round-record.json', JSON.stringify(await recordOf(deps.db, params.id), null, 1)),
  )
}
