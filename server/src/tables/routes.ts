import { tableEndpoints, type TableBody, type TableFormat } from '@motor-round/contract'
import type { Response, Router } from 'express'
import { byClock } from '../dates.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { sendFile } from '../http/send-file.ts'
import { machinesWhere, machineRows } from '../machine-list/rows.ts'
import { tableFile } from './file.ts'

const levelWords = { ok: 'OK', watch: 'Watch', fix: 'Fix', stop: 'Stop' } as const
const most = 20_000

async function send(res: Response, asked: TableBody, format: TableFormat): Promise<undefined> {
  const { type, name, body } = await tableFile(asked, format)
  return sendFile(res, type, name, body)
}

/** Tables as files for a spreadsheet. */
export function tableRoutes(router: Router, deps: Deps): void {
  mount(router, deps, tableEndpoints.table, ({ params, body, res }) => send(res, body, params.format))

  mount(router, deps, tableEndpoints.machineTable, async ({ params, query, res }) => {
    const rows = await machineRows(deps, machinesWhere(query), query.sort, 0, most)
    const day = (iso: string | null) => (iso === null ? null : byClock(iso, 'UTC', 'YYYY-MM-DD'))
    return send(
      res,
      {
        name: 'Machines',
        columns: ['Site', 'Area', 'Unit', 'Machine', 'Serves', 'Level', 'What stands', 'Load, %', 'Last visit', 'Due'],
        rows: rows.map((r) => [
          r.siteName,
          r.areaName,
          r.unitTag,
          r.tag,
          r.purpose,
          r.level === null ? 'Not judged' : levelWords[r.level],
          r.conditions.length > 0 ? r.conditions.map((c) => c.because).join(' ') : r.headline,
          r.spark.length === 0 ? null : Math.round(1000 * (r.spark.at(-1) ?? 0)) / 10,
          day(r.seenAt),
          day(r.dueAt),
        ]),
      },
      params.format,
    )
  })
}
