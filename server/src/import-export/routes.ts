import { pipeline } from 'node:stream/promises'
import { Readable } from 'node:stream'
import { fileEndpoints, organizationFile, type ImportState } from '@motor-round/contract'
import { sql } from 'drizzle-orm'
import type { Response, Router } from 'express'
import { z } from 'zod'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { HttpProblem } from '../http/problem.ts'
import { readingsCsv, registerCsv } from './exports.ts'
import { organizationText } from './organization/text.ts'
import { stagingTable } from './staging.ts'
import { latestImports, loadImport, newImport, saveImport } from './state.ts'
import { receive } from './receive.ts'
import { keep } from './keep-import.ts'

/** Send text as a download while it is made; a reader that goes away ends the making. */
async function send(res: Response, type: string, name: string, text: AsyncIterable<string>): Promise<undefined> {
  res.set({
    'content-type': type,
    'content-disposition': `attachment; filename="${name}"`,
    'cache-control': 'no-store',
  })
  // Who takes nothing for a minute is gone; the connection it holds is wanted by others.
  res.setTimeout(slowMs, () => res.destroy())
  try {
    await pipeline(Readable.from(text), res)
  } catch (e) {
    if ((e as NodeJS.ErrnoException).code !== 'ERR_STREAM_PREMATURE_CLOSE') throw e
  }
  return undefined
}

const slowMs = 60_000
const snapshot = { isolationLevel: 'repeatable read', accessMode: 'read only' } as const

/** Files in and out. */
export function importExportRoutes(router: Router, deps: Deps): void {
  mount(router, deps, fileEndpoints.startImport, ({ query, person, req }) => {
    if (query.zone !== undefined) {
      try {
        new Intl.DateTimeFormat('en', { timeZone: query.zone })
      } catch {
        throw new HttpProblem(422, 'zone: not a time zone', { errors: [{ path: 'zone', message: 'not a time zone' }] })
      }
    }
    const start = newImport(query.id, query.kind, query.name, person.name, deps.now(), query.size ?? null)
    return receive(deps, req, start, query.zone ?? null)
  })
  mount(router, deps, fileEndpoints.imports, () => latestImports(deps.db))
  mount(router, deps, fileEndpoints.importState, ({ params }) => loadImport(deps.db, params.id))
  mount(router, deps, fileEndpoints.keepImport, ({ params, person }) => keep(deps, params.id, person))
  mount(router, deps, fileEndpoints.cancelImport, ({ params }) =>
    deps.db.transaction(async (tx) => {
      const state = await loadImport(tx, params.id, true)
      if (state.status === 'done')
        throw new HttpProblem(409, 'It is already imported; correct readings at the machine.')
      const cancelled: ImportState = { ...state, status: 'cancelled', message: 'Canceled; nothing was imported.' }
      if (state.status === 'ready') await tx.execute(sql.raw(`drop table if exists ${stagingTable(state.id)}`))
      await saveImport(tx, cancelled)
      return cancelled
    }),
  )

  mount(router, deps, fileEndpoints.exportReadings, ({ query, res }) =>
    deps.files.db.transaction(
      (tx) => send(res, 'text/csv; charset=utf-8', 'readings.csv', readingsCsv(tx, query.site, query.machine)),
      snapshot,
    ),
  )
  mount(router, deps, fileEndpoints.exportRegister, async ({ res }) => {
    res
      .set({ 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="register.csv"' })
      .send(await registerCsv(deps.db))
    return undefined
  })
  mount(router, deps, fileEndpoints.exportOrganization, ({ res }) =>
    deps.files.db.transaction(
      (tx) => send(res, 'application/json; charset=utf-8', 'organization.json', organizationText(tx, deps.now())),
      snapshot,
    ),
  )
  mount(router, deps, fileEndpoints.organizationSchema, ({ res }) => {
    res
      .set('content-type', 'application/schema+json')
      .send(JSON.stringify(z.toJSONSchema(organizationFile, { io: 'input', unrepresentable: 'any' })))
    return undefined
  })
}
